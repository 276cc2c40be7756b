<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

/** A value of the JSON that the program prints. */
final readonly class JsonValue
{
    private function __construct(private mixed $value) {}

    public static function of(string $json): self
    {
        return new self(json_decode($json, true, 64, \JSON_THROW_ON_ERROR));
    }

    /** Null where the key is absent or null. */
    public function maybe(string $key): ?self
    {
        return \is_array($this->value) && isset($this->value[$key]) ? new self($this->value[$key]) : null;
    }

    public function must(string $key): self
    {
        return $this->maybe($key) ?? throw new \UnexpectedValueException("There is no $key.");
    }

    /** @return list<self> */
    public function list(): array
    {
        return \is_array($this->value)
            ? array_values(array_map(static fn (mixed $one): self => new self($one), $this->value))
            : throw new \UnexpectedValueException('This is no list.');
    }

    public function string(): string
    {
        return \is_string($this->value) ? $this->value : throw new \UnexpectedValueException('This is no text.');
    }

    public function isTrue(): bool
    {
        return true === $this->value;
    }
}
