<?php

declare(strict_types=1);

namespace KeenMargin\Tests\storm;

use KeenMargin\Tests\app\Answer;

/** Requests of one user. Waits where it is told to wait, follows long work to its end, and keeps what must never be. */
final class Client
{
    /** Seconds after which an answer is too late, whatever it says. */
    private const LATE = 30.0;

    /** @var list<string> answers that must never be given */
    public array $faults = [];
    public int $requests = 0;

    public function __construct(private readonly string $base, private readonly string $name) {}

    /**
     * @param string|array<string, mixed>|null $body
     *
     * @return Answer of status 0 where there was none: whether it was done is not known
     */
    public function send(
        string $method,
        string $path,
        string|array|null $body = null,
        ?string $version = null,
    ): Answer {
        for ($tries = 0;; ++$tries) {
            $answer = $this->once($method, $path, $body, $version);
            if (true === $answer->at('isBusy') && $tries < 40) {
                usleep(250_000);
                continue;
            }

            return 202 === $answer->status ? $this->ended($answer->text('job', 'id')) : $answer;
        }
    }

    public function upload(string $csv, ?int $dataset): Answer
    {
        return $this->send(
            'POST',
            '/api/readings',
            ['name' => 'storm.csv', 'text' => $csv] + (null === $dataset ? [] : ['dataset' => $dataset]),
        );
    }

    /** @param string|array<string, mixed>|null $body */
    private function once(string $method, string $path, string|array|null $body, ?string $version): Answer
    {
        $handle = curl_init($this->base.$path);
        \assert(false !== $handle && '' !== $method);
        $headers = [
            'Content-Type: application/json',
            'Expect:',
            'X-Signed: '.$this->name,
            ...null === $version ? [] : ["If-Match: $version"],
        ];
        curl_setopt_array($handle, [
            \CURLOPT_CUSTOMREQUEST => $method,
            \CURLOPT_RETURNTRANSFER => true,
            \CURLOPT_HEADER => true,
            \CURLOPT_TIMEOUT => 120,
            \CURLOPT_HTTPHEADER => $headers,
        ]);
        null === $body
            || curl_setopt(
                $handle,
                \CURLOPT_POSTFIELDS,
                \is_string($body) ? $body : json_encode($body, \JSON_THROW_ON_ERROR),
            );
        $begun = microtime(true);
        $bytes = curl_exec($handle);
        ++$this->requests;
        [$head, $content] = \is_string($bytes) ? explode("\r\n\r\n", $bytes, 2) + ['', ''] : ['', ''];
        $answer = new Answer(explode("\r\n", $head), $content);
        if (500 === $answer->status) {
            $this->faults[] = "$method $path was answered by 500: $content";
        }
        if (microtime(true) - $begun > self::LATE) {
            $this->faults[] = \sprintf('%s %s was answered after %.1f s', $method, $path, microtime(true) - $begun);
        }

        return $answer;
    }

    private function ended(string $job): Answer
    {
        for ($i = 0; $i < 600; ++$i) {
            $told = $this->once('GET', "/api/jobs/$job", null, null);
            if ('ended' === $told->text('state')) {
                if ('' !== $told->text('file')) {
                    return $this->once('GET', $told->text('file'), null, null);
                }
                if (500 === $told->int('status')) {
                    $this->faults[] = "The job $job ended with 500: $told->body";
                }

                return new Answer(
                    ["HTTP/1.1 {$told->int('status')}"], json_encode($told->at('answer'), \JSON_THROW_ON_ERROR),
                );
            }
            usleep(100_000);
        }
        $this->faults[] = "The job $job does not end";

        return new Answer([], '');
    }
}
