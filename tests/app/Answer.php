<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

final readonly class Answer
{
    public int $status;

    /** @param list<string> $head */
    public function __construct(private array $head, public string $body)
    {
        $this->status = (int) (explode(' ', $head[0] ?? '')[1] ?? 0);
    }

    public function header(string $name): string
    {
        foreach ($this->head as $line) {
            if (0 === stripos($line, $name.':')) {
                return trim(substr($line, \strlen($name) + 1));
            }
        }

        return '';
    }

    /** A value within the JSON body: `at('scene', 'width')`. */
    public function at(string|int ...$path): mixed
    {
        $value = json_decode($this->body, true);
        foreach ($path as $key) {
            $value = \is_array($value) ? $value[$key] ?? null : null;
        }

        return $value;
    }

    public function int(string|int ...$path): int
    {
        $value = $this->at(...$path);

        return \is_int($value) ? $value : 0;
    }

    public function text(string|int ...$path): string
    {
        $value = $this->at(...$path);

        return \is_string($value) ? $value : '';
    }

    /** @return list<mixed> empty where it is no list */
    public function list(string|int ...$path): array
    {
        $value = $this->at(...$path);

        return \is_array($value) ? array_values($value) : [];
    }
}
