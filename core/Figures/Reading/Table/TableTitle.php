<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Table;

/** The title over a table, `Costs by department, k EUR`: it names the dataset, what is counted and the unit. */
final readonly class TableTitle
{
    private const LONGEST = 80;
    /** `Printed by Ann` is no title. */
    /** `Printed 3 May`, `As of 31 March`, `Page 1 of 3`, `Source Ledger`, `All amounts in EUR`, `Draft` */
    private const ABOUT_FILE = '/^(?:\pL+ed (?:on|at|by|from|\d)|printed|as (?:of|at)|page|sources?|notes?|date|in |'.
        'status|version|draft|confidential|internal|amounts|all (?:amounts|figures|values)|stand |seite |quelle|'.
        'january|february|march|april|may|june|july|august|september|october|november|december|q[1-4]\b|\d)/iu';
    private const PRODUCED = '/^(?:\pL+ed|made|written|done|run|sent)(?: and \pL+ed)?$/iu';

    /**
     * @param string $name of the dataset: `Costs by department`
     * @param ?string $measure `Costs`; null where the title does not say what it is by
     */
    private function __construct(public string $name, public ?string $measure) {}

    /**
     * The name of a dataset by what stands above its table: what says a unit or what the figures are by, else the first
     * text that stands alone and is no note about the file, such as `Printed 3 May`. Null where there is none.
     */
    public static function maybeName(FileTable $sheet): ?string
    {
        $titles = array_filter($sheet->titles, self::isTitle(...));

        return self::maybe($sheet->notes)->name ?? array_values($titles)[0] ?? null;
    }

    private static function isTitle(string $text): bool
    {
        return 1 === preg_match('/\pL{3}/u', $text)
            && mb_strlen($text) <= self::LONGEST
            && 1 !== preg_match('/[:;=?!@]|\.$|^\W*$/u', $text)
            && 1 !== preg_match(self::ABOUT_FILE, $text);
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
            $isTitle = '' !== $name && !$isByPerson && mb_strlen($name) <= self::LONGEST && !str_ends_with($name, '.');
            if ($isTitle && ($isBy || $unit->isTold())) {
                return new self($name, $isBy ? $part['measure'] : null);
            }
        }

        return null;
    }
}
