<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use Brick\Math\BigDecimal;
use KeenMargin\App\Editing\CellBlock;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Storage\Series\SeriesStore;
use KeenMargin\App\Storage\Series\StoredFigures;
use KeenMargin\Core\Workings\Table\SpreadOfRow;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** What spreading one amount over a row's periods would give, for a look before it is set. */
final readonly class SpreadController
{
    public function __construct(private Records $records, private SeriesStore $store) {}

    /**
     * `{"measure", "where": {breakdown: member}, "periods": [{"key", "scenario"}], "amount": "1200", "by": "even" |
     * "prior year"}` → `{"amounts": [text]}`.
     */
    #[Route('/api/datasets/{id}/spreads', requirements: ['id' => Records::ID], methods: 'POST')]
    #[Operation(
        'What spreading an amount over periods would give',
        answer: 'Spread',
        body: [
            'measure' => 'string',
            'where?' => 'NameMap',
            'periods' => 'CellPeriod[]',
            'amount' => 'string',
            'by' => 'even|prior year',
        ],
    )]
    public function spread(int $id, Request $request): JsonResponse
    {
        $figures = new StoredFigures($this->records->dataset($id), $this->store);
        $body = JsonBody::of($request)->object(['measure', 'where', 'periods', 'amount', 'by']);
        $parts = SpreadOfRow::of(
            figures: $figures,
            measure: CellBlock::measure($body, $figures->dataset()),
            where: CellBlock::where($body->maybe('where'), $figures->dataset(), null),
            periods: array_column(CellBlock::columns($body->must('periods'), $figures->dataset()), 0),
            amount: CellBlock::oneAmount($body->must('amount')),
            asPriorYear: 'prior year' === $body->must('by')->oneOf(['even', 'prior year']),
        );

        return new JsonResponse([
            'amounts' => array_map(static fn (BigDecimal $part): string => $part->toString(), $parts),
        ]);
    }
}
