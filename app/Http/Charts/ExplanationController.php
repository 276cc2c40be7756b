<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\IncomingRecipes;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Storage\Series\OpenDatasets;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Figures\Series\MemoizedFigures;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Question\Fit\RecipeFit;
use KeenMargin\Core\Question\Kind;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Waterfall\Explanation;
use KeenMargin\Core\Workings\Waterfall\Explanations;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\Routing\Attribute\Route;

/** Which breakdown explains the variance of a question. */
#[Route('/api/datasets/{id}', requirements: ['id' => Records::ID], methods: 'POST')]
final readonly class ExplanationController
{
    private const MOST = 3;

    public function __construct(
        private Records $records,
        private OpenDatasets $datasets,
        private ChartKinds $kinds,
        private IncomingRecipes $recipes,
    ) {}

    #[Route('/explanations')]
    #[Operation(
        'Which breakdowns explain the variance of a question, the one that explains it best first',
        answer: 'Explanations',
        body: ['recipe' => 'Recipe'],
    )]
    public function explanations(int $id, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $figures = new MemoizedFigures($this->datasets->figures($record));
        $given = JsonBody::of($request)->object(['recipe'])->must('recipe');
        $recipe = $this->recipes->read($given, $record);
        RecipeFit::insist($recipe, $figures->dataset());
        $kind = $this->kind();
        $explanations = \array_slice(Explanations::of($recipe->question, $figures), 0, self::MOST);

        return new JsonResponse([
            'explanations' => array_map(
                static fn (Explanation $one): array => [
                    'says' => $one->says(),
                    'recipe' => RecipeWriter::toArray(new Recipe($one->question, $kind)),
                ],
                $explanations,
            ),
        ]);
    }

    /** The kind that leads from one total to another. */
    private function kind(): Kind
    {
        foreach ($this->kinds->list() as $kind) {
            if (\in_array('bridge', $kind->required(), true)) {
                return $kind;
            }
        }

        return $this->kinds->first();
    }
}
