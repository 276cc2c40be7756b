<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Part;

/** What was written of one block, or of the page itself. */
final class BlockMemory
{
    /** Letters of a key that are remembered: enough within one block. */
    private const SHORT = 4;

    /**
     * @param array<string, true> $keys of shapes, shortened
     * @param array<string, string> $tags of texts whose names programs do not keep, by key
     * @param list<string> $numbers of the workings in these texts, as they were written
     */
    public function __construct(private array $keys = [], public array $tags = [], public array $numbers = []) {}

    public function take(string $key): void
    {
        $this->keys[self::shortened($key)] = true;
    }

    public function has(string $key): bool
    {
        return isset($this->keys[self::shortened($key)]) || isset($this->tags[$key]);
    }

    /** @return array{keys: string, tags: array<string, string>, numbers: list<string>} */
    public function toArray(): array
    {
        $keys = implode('', array_map(strval(...), array_keys($this->keys)));

        return ['keys' => $keys, 'tags' => $this->tags, 'numbers' => $this->numbers];
    }

    /** What is not as it was written is left out. */
    public static function read(mixed $told): self
    {
        $memory = new self();
        $keys = \is_array($told) ? $told['keys'] ?? '' : '';
        foreach (\is_string($keys) && '' !== $keys ? str_split($keys, self::SHORT) : [] as $key) {
            $memory->keys[$key] = true;
        }
        $tags = \is_array($told) ? $told['tags'] ?? [] : [];
        foreach (\is_array($tags) ? $tags : [] as $key => $tag) {
            if (\is_string($tag)) {
                $memory->tags[(string) $key] = $tag;
            }
        }
        $numbers = \is_array($told) ? $told['numbers'] ?? [] : [];
        $memory->numbers = array_values(array_filter(\is_array($numbers) ? $numbers : [], is_string(...)));

        return $memory;
    }

    private static function shortened(string $key): string
    {
        return str_pad(substr($key, 0, self::SHORT), self::SHORT, '_');
    }
}
