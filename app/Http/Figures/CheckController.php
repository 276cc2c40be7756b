<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Figures;

use KeenMargin\App\Checking\DatasetFindings;
use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Http\JsonBody;
use KeenMargin\App\Http\Records;
use KeenMargin\App\Http\Signature;
use KeenMargin\Core\Document\NotAccepted;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** The checks of a dataset. One that fails can be accepted with a reason: it stays quiet until its figure changes. */
#[Route('/api/datasets/{id}/checks', requirements: ['id' => Records::ID, 'finding' => '[a-z-]{1,80}'])]
final readonly class CheckController
{
    public function __construct(private Records $records, private DatasetFindings $findings) {}

    #[Route('', methods: 'GET')]
    #[Operation('The checks of a dataset', answer: 'Findings')]
    public function list(int $id): JsonResponse
    {
        return $this->answer($id);
    }

    /**
     * `{"mark": …, "reason": …}`: the mark is the finding's own, so that nothing else is accepted than what was read.
     */
    #[Route('/{finding}/acceptance', methods: 'PUT')]
    #[Operation(
        'Accept a failing check with a reason, until its figure changes',
        answer: 'Findings',
        body: ['mark' => 'string', 'reason' => 'string'],
        isSigned: true,
    )]
    public function accept(int $id, string $finding, Request $request): JsonResponse
    {
        $record = $this->records->dataset($id);
        $body = JsonBody::of($request)->object(['mark', 'reason']);
        $mark = $body->must('mark')->string(40);
        $reason = trim($body->must('reason')->string(500));
        $known = array_values(
            array_filter($this->findings->of($record), static fn (array $one): bool => $one['id'] === $finding),
        );
        if ([] === $known) {
            throw new NotFoundHttpException("There is no check \"$finding\" on this dataset.");
        }
        if ($known[0]['mark'] !== $mark) {
            throw new NotAccepted(
                'mark', 'What this check says has changed meanwhile. Read it again before you accept it.',
            );
        }
        $this->findings->accept($record, $finding, $mark, $reason, Signature::of($request));

        return $this->answer($id);
    }

    #[Route('/{finding}/acceptance', methods: 'DELETE')]
    #[Operation('Withdraw an acceptance', answer: 'Findings')]
    public function withdraw(int $id, string $finding): JsonResponse
    {
        $this->findings->withdraw($this->records->dataset($id), $finding);

        return $this->answer($id);
    }

    private function answer(int $id): JsonResponse
    {
        return new JsonResponse(['items' => $this->findings->of($this->records->dataset($id))]);
    }
}
