<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

/** The title over a table, `Costs by department, k EUR`: it names the dataset, what is counted and the unit. */
final readonly class TableTitle
{
    private const LONGEST = 80;
    /** `Printed by Ann` is no title. */
    private const PRODUCED = '/^(?:\pL+ed|made|written|done|run|sent)(?: and \pL+ed)?$/iu';

    /**
     * @param string $name of the dataset: `Costs by department`
     * @param ?string $measure `Costs`; null where the title does not say what it is by
     */
    private function __construct(public string $name, public ?string $measure)
    {
    }

    /**
     * The first note above a table that says a unit or what the figures are by; null where none does.
     *
     * @param list<string> $notes
     */
    public static function maybe(array $notes): ?self
    {
        foreach ($notes as $note) {
            $unit = HeaderUnit::split($note);
            $name = $unit->name;
            $isBy =
                1 ===
                preg_match('/^(?<measure>[\pL][^,;:]*?) (?:by|per|nach|pro|par) [\pL][^,;:]*$/iu', $name, $part);
            $isByPerson = $isBy && 1 === preg_match(self::PRODUCED, $part['measure']);
            $isTitle =
                '' !== $name && !$isByPerson && mb_strlen($name) <= self::LONGEST && !str_ends_with($name, '.');
            if ($isTitle && ($isBy || $unit->isTold())) {
                return new self($name, $isBy ? $part['measure'] : null);
            }
        }

        return null;
    }
}
