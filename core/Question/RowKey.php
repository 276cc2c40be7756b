<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

/** Which row of a chart: the panel that it stands in, and the period, member or sum that it is. */
final readonly class RowKey
{
    /** Unique among the rows and sums of a chart; nobody takes it apart again. */
    public string $id;

    /**
     * @param ?string $name key of a period, or a member, which may be blank; null: a sum
     * @param ?PanelKey $panel null: the chart has one panel only
     */
    private function __construct(public ?string $name, public ?SumKey $sum, public ?PanelKey $panel)
    {
        $row = $sum->value ?? self::escaped((string) $name);
        $this->id = null === $panel ? $row : "$panel->id/$row";
    }

    public static function row(string $name, ?PanelKey $panel = null): self
    {
        return new self($name, null, $panel);
    }

    public static function sum(SumKey $sum, ?PanelKey $panel = null): self
    {
        return new self(null, $sum, $panel);
    }

    public function inPanel(?PanelKey $panel): self
    {
        return new self($this->name, $this->sum, $panel);
    }

    public function is(self $other): bool
    {
        return $this->id === $other->id;
    }

    /**
     * As recipes write it: the name or the sum alone where that says which row it is, else an object.
     *
     * @return string|array<string, string|true> `2026-08`, `total`, `{"panel": "North", "row": "2026-08"}`,
     *                                           `{"others": true, "sum": "total"}`
     */
    public function toJson(): string|array
    {
        $row = null === $this->sum ? ['row' => (string) $this->name] : ['sum' => $this->sum->value];

        return match (true) {
            null !== $this->panel => [
                ...$this->panel->isOthers() ? ['others' => true] : ['panel' => (string) $this->panel->member],
                ...$row,
            ],
            null !== $this->sum => $this->sum->value,
            $this->isMistakable() => $row,
            default => (string) $this->name,
        };
    }

    /** Whether its name alone would be read as another row. */
    private function isMistakable(): bool
    {
        return '' === $this->name || null !== SumKey::tryFrom((string) $this->name);
    }

    /** A member that is called as a sum is is told apart from it. */
    private static function escaped(string $name): string
    {
        return null !== SumKey::tryFrom($name) || str_starts_with($name, '\\') ? "\\$name" : $name;
    }
}
