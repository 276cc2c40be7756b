<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Storage\NameSearch;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Everything that has a name: charts, datasets, their measures, breakdowns and members, what was brought in. */
final readonly class SearchController
{
    private const MOST_OF_EACH = 6;
    private const LONGEST = 200;

    public function __construct(private NameSearch $names) {}

    #[Route('/api/search', methods: 'GET')]
    #[Operation('Everything that has a name', answer: 'FoundNames', query: ['q' => 'string'])]
    public function search(Request $request): JsonResponse
    {
        $sought = trim(mb_scrub($request->query->getString('q')));
        if (mb_strlen($sought) > self::LONGEST) {
            throw new BadRequestHttpException('q: give up to '.self::LONGEST.' letters.');
        }

        return new JsonResponse(['items' => '' === $sought ? [] : $this->names->find($sought, self::MOST_OF_EACH)]);
    }
}
