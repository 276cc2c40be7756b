<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use KeenMargin\Core\Question\Names\AnyName;
use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Report\Document\NamesOfDatasets;

/** Names, as they are now, for the numbers in kept documents. A merged member has the name of the one it became. */
final readonly class NamesNow extends AnyName implements NamesOfDatasets
{
    /** @param array<string, string> $names by written reference */
    public function __construct(private array $names) {}

    public function of(string $dataset): NameMap
    {
        return $this;
    }

    /** References tell by themselves what they are of. */
    public function maybeChart(string $named): ?array
    {
        return null;
    }

    protected function name(string $name): string
    {
        return $this->names[$name] ?? NumberedName::name($name);
    }
}
