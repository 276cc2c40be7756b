<?php

declare(strict_types=1);

namespace KeenMargin\App\Jobs;

use KeenMargin\App\Work\CurrentJob;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;

/** Answers a request whose work is long with the job that does it: a process of its own handles the same request. */
final readonly class Deferral
{
    /** What a request says besides its body that matters for its answer. */
    private const HEADERS = ['If-Match', 'X-Signed', 'Content-Type', 'Accept'];
    /** Bytes of a file that take about as long as the figures from which work is long. */
    private const BYTES_A_FIGURE = 30;

    public function __construct(
        private JobShelf $shelf,
        private CurrentJob $current,
        private string $project,
        private string $database,
        private int $longFrom,
    ) {
    }

    /** None where the work is to be done at once. */
    public function maybe(Request $request, int $figures, string $says): ?JsonResponse
    {
        if ($figures < $this->longFrom || !$this->current->isNone()) {
            return null;
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
        );
        $this->start($id);

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
