<?php

declare(strict_types=1);

namespace KeenMargin\App\Jobs;

use KeenMargin\App\Work\CurrentJob;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;

/** Answers a request whose work is long with the job that does it: a process of its own handles the same request. */
final readonly class Deferral
{
    /** What a request says besides its body that matters for its answer. */
    private const HEADERS = ['If-Match', 'X-Signed', 'Content-Type', 'Accept'];
    /** Bytes of a file that take about as long as the figures from which work is long. */
    private const BYTES_A_FIGURE = 30;
    /** Jobs that wait for their turn; each is a process already. */
    private const MOST_WAITING = 20;
    /** Seconds after which a job is ended: nobody waits for it any more. */
    private const LONGEST = 3_600;

    public function __construct(
        private JobShelf $shelf,
        private CurrentJob $current,
        private string $project,
        private string $database,
        private int $longFrom,
    ) {}

    /**
     * None where the work is to be done at once.
     *
     * @param ?string $state what the answer is made from: the same question about the same state is one job; null: each
     *                       request is one of its own
     */
    public function maybe(Request $request, int $figures, string $says, ?string $state = null): ?JsonResponse
    {
        if ($figures < $this->longFrom || !$this->current->isNone()) {
            return null;
        }
        $question = null === $state ? null : hash('sha256', $request->getRequestUri()."\n$state");
        $known = null === $question ? null : $this->shelf->maybeAsked($question);
        if (null !== $known) {
            return $this->accepted($known);
        }
        if ($this->shelf->waiting() >= self::MOST_WAITING) {
            throw new ServiceUnavailableHttpException(
                5, 'So much long work is waiting that more would only make it longer. Try again in a while.',
            );
        }
        $headers = array_filter(
            array_combine(
                self::HEADERS,
                array_map(static fn (string $name): ?string => $request->headers->get($name), self::HEADERS),
            ),
            static fn (?string $value): bool => null !== $value,
        );
        $id = $this->shelf->put(
            [
                'method' => $request->getRealMethod(),
                'path' => $request->getRequestUri(),
                'host' => $request->getHttpHost(),
                'headers' => $headers,
                'body' => $request->getContent(),
            ],
            $says,
            $question,
        );
        $this->start($id);

        return $this->accepted($id);
    }

    private function accepted(string $id): JsonResponse
    {
        return new JsonResponse(['job' => $this->shelf->get($id)->toArray()], 202, ['Location' => "/api/jobs/$id"]);
    }

    public function maybeOfFile(Request $request, string $path, int $figures, string $says): ?JsonResponse
    {
        return $this->maybe($request, max($figures, intdiv((int) @filesize($path), self::BYTES_A_FIGURE)), $says);
    }

    /** The process outlives this one, and has limits of its own. */
    private function start(string $id): void
    {
        $command = [
            'timeout',
            '--kill-after=10',
            (string) self::LONGEST,
            'php',
            '-d',
            'memory_limit=2G',
            '-d',
            'max_execution_time=0',
            '-d',
            'opcache.enable_cli=1',
            '-d',
            'opcache.jit=tracing',
            '-d',
            'opcache.jit_buffer_size=16M',
            "$this->project/bin/console",
            'keen:work',
            $id,
        ];
        exec(
            'KEEN_DATA='.
                escapeshellarg($this->database).
                ' setsid '.
                implode(' ', array_map(escapeshellarg(...), $command)).
                ' </dev/null >>'.
                escapeshellarg("$this->project/var/log/jobs.log").
                ' 2>&1 &',
        );
    }
}
