<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document;

use Brick\Math\BigDecimal;

/**
 * A value of a JSON document together with its path, so that whatever is wrong with it can be said exactly.
 */
final readonly class Given
{
    private const MAX_BYTES = 1_000_000;
    private const MAX_DEPTH = 24;
    private const KEPT_DEPTH = 64;

    private function __construct(private mixed $value, public string $path) {}

    /** @throws NotAccepted */
    public static function json(string $text): self
    {
        if (\strlen($text) > self::MAX_BYTES) {
            throw new NotAccepted('', 'The document is larger than 1 MB.');
        }
        $text = str_starts_with($text, "\xEF\xBB\xBF") ? substr($text, 3) : $text;
        try {
            return new self(
                json_decode($text, false, self::MAX_DEPTH, \JSON_THROW_ON_ERROR | \JSON_BIGINT_AS_STRING), '',
            );
        } catch (\JsonException $e) {
            throw new NotAccepted('', "This is not JSON ({$e->getMessage()}).");
        }
    }

    /**
     * A document that is kept already, or was made here: limits hold where something comes in, once.
     *
     * @param array<mixed> $document
     *
     * @throws NotAccepted
     */
    public static function kept(array $document): self
    {
        try {
            $isList = [] !== $document && array_is_list($document);
            $flags = \JSON_THROW_ON_ERROR | \JSON_INVALID_UTF8_SUBSTITUTE;
            $json = json_encode($isList ? $document : (object) $document, $flags);

            return new self(json_decode($json, false, self::KEPT_DEPTH, \JSON_THROW_ON_ERROR), '');
        } catch (\JsonException $e) {
            throw new NotAccepted('', "What is kept cannot be read ({$e->getMessage()}).");
        }
    }

    /**
     * @param list<string> $keys the only ones accepted
     *
     * @throws NotAccepted
     */
    public function object(array $keys): self
    {
        foreach ($this->entries() as $key => $given) {
            if (!\in_array((string) $key, $keys, true)) {
                throw new NotAccepted($given->path, 'This key is not known; accepted are '.implode(', ', $keys).'.');
            }
        }

        return $this;
    }

    /**
     * @return array<string, self> an object whose keys are names of the reader's own
     *
     * @throws NotAccepted
     */
    public function entries(): array
    {
        if (!$this->value instanceof \stdClass) {
            throw $this->refuse('an object');
        }
        $entries = [];
        foreach (get_object_vars($this->value) as $key => $value) {
            $entries[(string) $key] = new self($value, ltrim($this->path.'.'.$key, '.'));
        }

        return $entries;
    }

    /** The value under a key; none where the key is absent or null. */
    public function maybe(string $key): ?self
    {
        return $this->value instanceof \stdClass && isset($this->value->$key)
            ? new self($this->value->$key, ltrim($this->path.'.'.$key, '.'))
            : null;
    }

    /** @throws NotAccepted */
    public function must(string $key): self
    {
        return $this->maybe($key) ?? throw new NotAccepted(ltrim($this->path.'.'.$key, '.'), 'This key is missing.');
    }

    /** The same value as a document of its own, its paths from its own root. */
    public function asDocument(): self
    {
        return new self($this->value, '');
    }

    /**
     * The value as lists and arrays by key. Of objects what is null or empty is left out, as if it was not told.
     */
    public function plain(): mixed
    {
        return self::plainOf($this->value);
    }

    private static function plainOf(mixed $value): mixed
    {
        if ($value instanceof \stdClass) {
            $entries = array_map(self::plainOf(...), get_object_vars($value));

            return array_filter($entries, static fn (mixed $entry): bool => null !== $entry && [] !== $entry);
        }

        return \is_array($value) ? array_map(self::plainOf(...), $value) : $value;
    }

    public function isNull(): bool
    {
        return null === $this->value;
    }

    public function isList(): bool
    {
        return \is_array($this->value);
    }

    /** Whether it is this very text. */
    public function is(string $text): bool
    {
        return $text === $this->value;
    }

    public function isObject(): bool
    {
        return $this->value instanceof \stdClass;
    }

    /**
     * @return list<self>
     *
     * @throws NotAccepted
     */
    public function list(int $atLeast = 0): array
    {
        if (!\is_array($this->value) || \count($this->value) < $atLeast) {
            throw $this->refuse($atLeast > 0 ? "a list with $atLeast or more entries" : 'a list');
        }

        return array_map(
            fn (mixed $value, int $i): self => new self($value, $this->path."[$i]"),
            $this->value,
            array_keys($this->value),
        );
    }

    /** @throws NotAccepted */
    public function string(int $longest = 200): string
    {
        $text = \is_string($this->value) ? PlainText::of($this->value) : '';
        if ('' === trim($text) || mb_strlen($text) > $longest) {
            throw $this->refuse("a text of 1 to $longest letters");
        }

        return $text;
    }

    /**
     * A text that may be empty.
     *
     * @throws NotAccepted
     */
    public function text(int $longest): string
    {
        return '' === $this->value ? '' : $this->string($longest);
    }

    /**
     * A piece of a text: it may be empty, or blank.
     *
     * @throws NotAccepted
     */
    public function piece(int $longest): string
    {
        $text = \is_string($this->value) ? PlainText::of($this->value) : null;
        if (null === $text || mb_strlen($text) > $longest) {
            throw $this->refuse("a text of $longest letters at most");
        }

        return $text;
    }

    /** @throws NotAccepted */
    public function bool(): bool
    {
        return \is_bool($this->value) ? $this->value : throw $this->refuse('true or false');
    }

    /** @throws NotAccepted */
    public function int(int $from, int $to): int
    {
        if (!\is_int($this->value) || $this->value < $from || $this->value > $to) {
            throw $this->refuse("a whole number from $from to $to");
        }

        return $this->value;
    }

    /**
     * A number, as a string of digits so that no digit is lost.
     *
     * @throws NotAccepted
     */
    public function number(): BigDecimal
    {
        $text = \is_int($this->value) ? (string) $this->value : $this->value;
        if (!\is_string($text) || 1 !== preg_match('/^-?\d{1,18}(\.\d{1,10})?$/D', $text)) {
            throw $this->refuse('a number in quotes, such as "99" or "-0.5"');
        }

        return BigDecimal::of($text);
    }

    /**
     * A number of zero or more, as a string of digits so that no digit is lost.
     *
     * @throws NotAccepted
     */
    public function size(): BigDecimal
    {
        $text = \is_int($this->value) ? (string) $this->value : $this->value;
        if (!\is_string($text) || 1 !== preg_match('/^\d{1,18}(\.\d{1,10})?$/', $text)) {
            throw $this->refuse('a number of zero or more in quotes, such as "5" or "0.5"');
        }

        return BigDecimal::of($text);
    }

    /**
     * @template T of \BackedEnum
     *
     * @param class-string<T> $enum
     *
     * @return T
     *
     * @throws NotAccepted
     */
    public function enum(string $enum): \BackedEnum
    {
        $accepted = array_map(static fn (\BackedEnum $case): string => (string) $case->value, $enum::cases());

        return $enum::from($this->oneOf($accepted));
    }

    /**
     * @param list<string> $accepted
     *
     * @throws NotAccepted
     */
    public function oneOf(array $accepted): string
    {
        return \is_string($this->value) && \in_array($this->value, $accepted, true)
            ? $this->value
            : throw $this->refuse(Wording::either($accepted));
    }

    /** @param string $wanted completes "give …" */
    public function refuse(string $wanted): NotAccepted
    {
        $shown = json_encode(
            $this->value, \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES | \JSON_PARTIAL_OUTPUT_ON_ERROR,
        );
        $shown = \is_string($shown) && mb_strlen($shown) > 60 ? mb_substr($shown, 0, 57).'…' : $shown;

        return new NotAccepted($this->path, "$shown is not accepted; give $wanted.");
    }
}
