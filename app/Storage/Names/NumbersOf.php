<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use KeenMargin\Core\Question\Names\NameMap;

/** Numbers for the names of a dataset's measures, breakdowns and members. Names that nothing bears stay names. */
final class NumbersOf implements NameMap
{
    /** @var array<string, ?int> by kind, owner and name */
    private array $found = [];

    /** @param ?int $known the last change of a name that whoever wrote the names knew of; null: all */
    public function __construct(
        private readonly int $dataset,
        private readonly FormerNames $names,
        private readonly ?int $known,
    ) {}

    public function measure(string $name): string
    {
        return $this->written(NameKind::Measure, $this->dataset, $name);
    }

    public function breakdown(string $name): string
    {
        return $this->written(NameKind::Breakdown, $this->dataset, $name);
    }

    public function field(string $name): string
    {
        return null === $this->maybe(NameKind::Breakdown, $this->dataset, $name)
            ? $this->measure($name)
            : $this->breakdown($name);
    }

    public function member(?string $breakdown, string $name): string
    {
        $id = null === $breakdown ? null : $this->maybeBreakdown($breakdown);

        return null === $id ? NumberedName::literal($name) : $this->written(NameKind::Member, $id, $name);
    }

    /** @param string $breakdown its name, or where a kept question is looked at its number */
    private function maybeBreakdown(string $breakdown): ?int
    {
        $reference = NumberedName::maybe($breakdown);

        return NameKind::Breakdown === $reference?->kind
            ? $reference->id
            : $this->maybe(NameKind::Breakdown, $this->dataset, $breakdown);
    }

    private function written(NameKind $kind, int $owner, string $name): string
    {
        $id = $this->maybe($kind, $owner, $name);

        return null === $id ? NumberedName::literal($name) : (new NumberedName($kind, $id))->written();
    }

    private function maybe(NameKind $kind, int $owner, string $name): ?int
    {
        $key = "$kind->value $owner $name";

        return \array_key_exists($key, $this->found)
            ? $this->found[$key]
            : ($this->found[$key] = $this->names->maybeBearer($kind, $owner, $name, $this->known));
    }
}
