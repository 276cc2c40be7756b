<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\App\Http\Contract\Operation;
use KeenMargin\App\Jobs\Job;
use KeenMargin\App\Jobs\JobShelf;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** Long work: how far it is, what came of it, stopped. */
#[Route('/api/jobs/{id}', requirements: ['id' => '[0-9a-f]{24}'])]
final readonly class JobController
{
    public function __construct(private JobShelf $shelf) {}

    #[Route('', methods: 'GET')]
    #[Operation('How far long work is, and what came of it', answer: 'Job')]
    public function get(string $id): JsonResponse
    {
        return new JsonResponse($this->job($id)->toArray());
    }

    /** Ends it; what it has changed so far is undone. One that has ended stays as it is. */
    #[Route('', methods: 'DELETE')]
    #[Operation('Stop long work: nothing of it is kept. One that has ended stays as it is', status: 204)]
    public function stop(string $id): Response
    {
        $this->job($id);
        $this->shelf->stop($id);

        return new Response(null, 204);
    }

    /** The file that it made. */
    #[Route('/file', methods: 'GET')]
    #[Operation('The file that long work has made', media: ['application/octet-stream'])]
    public function file(string $id): Response
    {
        $job = $this->job($id);
        if (null === $job->file) {
            throw new NotFoundHttpException(
                Job::ENDED === $job->state
                    ? 'This job made no file.'
                    : 'The file is not made yet. Ask for the job itself, which says how far it is.',
            );
        }

        return new BinaryFileResponse($job->file, 200, $job->headers, false);
    }

    private function job(string $id): Job
    {
        return null === $this->shelf->maybeFolder($id)
            ? throw new NotFoundHttpException("There is no job $id. Jobs are kept for ".JobShelf::DAYS.' days.')
            : $this->shelf->get($id);
    }
}
