<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names\Numbering;

use KeenMargin\App\Storage\Names\NumberedName;
use KeenMargin\Core\Question\Names\NameMap;

/** Notes which names stand for nothing. */
final class NotingNames implements NameMap
{
    /** @var array<string, string> what each is, as a sentence tells it */
    public array $unresolved = [];

    /**
     * @param array<string, string> $borne references by names that were borne for a while only: `member Route Sound`
     */
    public function __construct(private readonly NameMap $names, private readonly array $borne = []) {}

    public function measure(string $name): string
    {
        return $this->noted($this->borne["measure $name"] ?? $this->names->measure($name), "the measure “{$name}”");
    }

    public function breakdown(string $name): string
    {
        return $this->noted(
            $this->borne["breakdown $name"] ?? $this->names->breakdown($name),
            "the breakdown “{$name}”",
        );
    }

    public function field(string $name): string
    {
        $borne = $this->borne["breakdown $name"] ?? $this->borne["measure $name"] ?? null;

        return $this->noted($borne ?? $this->names->field($name), "“{$name}”, which a filter is about");
    }

    public function member(?string $breakdown, string $name): string
    {
        $kept = $this->borne["member $breakdown $name"] ?? $this->names->member($breakdown, $name);

        return null === $breakdown ? $kept : $this->noted($kept, "“{$name}” of {$breakdown}");
    }

    private function noted(string $kept, string $what): string
    {
        null === NumberedName::maybe($kept) && ($this->unresolved[$what] = $what);

        return $kept;
    }
}
