<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Reading\Text\NumberReader;
use KeenMargin\Core\Figures\Reading\Text\NumberStyle;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\NotAPeriod;
use KeenMargin\Core\Time\Period;

/** A rectangle of amounts as somebody typed or pasted it, made strict: members down, periods across. */
final readonly class CellBlock
{
    public const KEYS = ['measure', 'by', 'where', 'rows', 'periods', 'amounts', 'was', 'newRows', 'decimal'];
    public const MOST = 20_000;
    public const MOST_DECIMALS = 10;

    /**
     * @param ?string $by the breakdown whose members go down
     * @param array<string, string> $where members of the other breakdowns, by breakdown
     * @param list<array{
     *     row: string, period: Period, scenario: Scenario, is: ?BigDecimal, was: ?BigDecimal,
     * }> $cells that are to be set, or cleared
     * @param bool $knowsWas whether what stood there is told, and must still stand there
     * @param list<string> $newRows members that come with it
     */
    private function __construct(
        public Measure $measure,
        public ?string $by,
        public array $where,
        public array $cells,
        public bool $knowsWas,
        public array $newRows,
    ) {}

    /**
     * Names that could be of members, wherever they stand in what was sent.
     *
     * @return list<string>
     */
    public static function namesIn(Given $given): array
    {
        $rows = array_map(static fn (Given $row): string => trim($row->text(500)), $given->must('rows')->list(1));
        $where = array_map(
            static fn (Given $member): string => $member->text(500),
            array_values($given->maybe('where')?->entries() ?? []),
        );

        return array_values(array_unique([...$rows, ...$where]));
    }

    /** @return list<string> of members that it is about */
    public function names(): array
    {
        return array_values(
            array_unique([...array_column($this->cells, 'row'), ...array_values($this->where), ...$this->newRows]),
        );
    }

    /** @param Dataset $dataset with the members of namesIn() at least */
    public static function of(Given $given, Dataset $dataset): self
    {
        $measure = self::measure($given, $dataset);
        $names = array_map(static fn (Breakdown $breakdown): string => $breakdown->name, $dataset->breakdowns);
        $by = $given->maybe('by')?->oneOf($names);
        $rows = array_map(static fn (Given $row): string => trim($row->text(500)), $given->must('rows')->list(1));
        $columns = self::columns($given->must('periods'), $dataset);
        if (\count($rows) * \count($columns) > self::MOST) {
            throw new NotAccepted(
                'amounts',
                'More than '.
                    number_format(self::MOST).
                    ' amounts at once cannot be changed by hand. Bring them in as a file.',
            );
        }
        $new = self::newRows($given, $dataset, $by, $rows);
        $where = self::where($given->maybe('where'), $dataset, $by);
        $amounts = self::texts($given->must('amounts'), \count($rows), \count($columns));
        $was = null === $given->maybe('was') ? null : self::texts($given->must('was'), \count($rows), \count($columns));
        $reader = new NumberReader(self::style($given, array_merge(...$amounts)));
        $cells = [];
        foreach ($amounts as $i => $line) {
            foreach ($line as $j => $text) {
                if (null === $text) {
                    continue;
                }
                $cells[] = [
                    'row' => $rows[$i],
                    'period' => $columns[$j][0],
                    'scenario' => $columns[$j][1],
                    'is' => self::amount($reader, $text, "amounts[$i][$j]"),
                    'was' => null === $was ? null : self::plain($was[$i][$j] ?? ''),
                ];
            }
        }

        return new self(
            measure: $measure, by: $by, where: $where, cells: $cells, knowsWas: null !== $was, newRows: $new,
        );
    }

    public static function measure(Given $given, Dataset $dataset): Measure
    {
        $name = $given
            ->must('measure')
            ->oneOf(array_map(static fn (Measure $measure): string => $measure->name, $dataset->measures));
        $measure = $dataset->maybeMeasure($name) ?? throw new \LogicException();
        if ($measure->isRatio()) {
            throw new NotAccepted(
                'measure', "$name is computed from {$measure->numerator} and {$measure->denominator}. Change those.",
            );
        }

        return $measure;
    }

    /** @return list<array{Period, Scenario}> */
    public static function columns(Given $given, Dataset $dataset): array
    {
        return array_map(static function (Given $column) use ($dataset): array {
            $column->object(['key', 'scenario']);
            $scenario = $column->must('scenario')->enum(Scenario::class);
            if (Scenario::PriorYear === $scenario && !\in_array($scenario, $dataset->coverage->scenarios(), true)) {
                throw new NotAccepted($column->path, 'Prior year is the actual of one year earlier here. Change that.');
            }
            if ($dataset->isTimeless()) {
                return [Period::timeless(), $scenario];
            }
            $key = $column->must('key');
            try {
                $period = Period::of($key->string(12), $dataset->calendar);
            } catch (NotAPeriod $e) {
                throw new NotAccepted($key->path, $e->getMessage());
            }
            if ($period->grain !== $dataset->grain) {
                throw $key->refuse("a {$dataset->grain->value}, as the figures are");
            }

            return [$period, $scenario];
        }, $given->list(1));
    }

    /**
     * @param list<string> $rows
     *
     * @return list<string>
     */
    private static function newRows(Given $given, Dataset $dataset, ?string $by, array $rows): array
    {
        if (null === $by) {
            return [];
        }
        $breakdown = $dataset->maybeBreakdown($by) ?? throw new \LogicException();
        $new = array_values(array_unique(array_diff($rows, $breakdown->members)));
        $groups = array_intersect($rows, $breakdown->groups());
        if ([] !== $groups) {
            throw new NotAccepted(
                'rows', Wording::and(array_values($groups)).' is a group: the sum of what stands in it. Change those.',
            );
        }
        if ([] !== $new && true !== $given->maybe('newRows')?->bool()) {
            throw new NotAccepted(
                'rows',
                "$by has no ".
                    Wording::some($new, 5).
                    '. Send "newRows": true to add '.
                    (1 === \count($new) ? 'it.' : 'them.'),
            );
        }

        return $new;
    }

    /** @return array<string, string> a single member of each breakdown but the one that goes down */
    public static function where(?Given $given, Dataset $dataset, ?string $by): array
    {
        $where = [];
        foreach ($given?->entries() ?? [] as $name => $member) {
            $breakdown =
                $dataset->maybeBreakdown($name) ??
                throw new NotAccepted($member->path, "There is no breakdown \"$name\".");
            $where[$name] = $member->text(500);
            if (
                !\in_array($where[$name], $breakdown->members, true)
                || \in_array($where[$name], $breakdown->groups(), true)
            ) {
                throw new NotAccepted($member->path, "$name has no single member \"$where[$name]\".");
            }
        }
        foreach ($dataset->breakdowns as $breakdown) {
            if ($breakdown->name !== $by && !isset($where[$breakdown->name])) {
                throw new NotAccepted(
                    'where',
                    "Each amount is the sum over $breakdown->name. Choose one of its members, then change the amount.",
                );
            }
        }

        return $where;
    }

    /** @return list<list<?string>> */
    private static function texts(Given $given, int $rows, int $columns): array
    {
        $lines = $given->list($rows);
        if (\count($lines) !== $rows) {
            throw $given->refuse("$rows rows");
        }

        return array_map(static function (Given $line) use ($columns): array {
            $cells = $line->list($columns);
            if (\count($cells) !== $columns) {
                throw $line->refuse("$columns amounts a row");
            }

            return array_map(static fn (Given $cell): ?string => $cell->isNull() ? null : $cell->text(60), $cells);
        }, $lines);
    }

    /** @param list<?string> $texts */
    private static function style(Given $given, array $texts): NumberStyle
    {
        return $given->maybe('decimal')?->enum(NumberStyle::class) ??
            (NumberStyle::maybeProven(
                array_values(array_filter($texts, static fn (?string $text): bool => null !== $text)),
            ) ??
                NumberStyle::Point);
    }

    private static function amount(NumberReader $reader, string $text, string $path): ?BigDecimal
    {
        if (NumberReader::isMissing($text)) {
            return null;
        }
        $amount =
            $reader->maybe($text) ??
            throw new NotAccepted(
                $path, "\"$text\" is not a number. Figures are figures here: type the amount itself.",
            );
        if ($amount->getScale() > self::MOST_DECIMALS || \strlen((string) $amount->getUnscaledValue()->abs()) > 15) {
            throw new NotAccepted($path, "\"$text\" has too many digits to be kept exactly.");
        }

        return $amount;
    }

    /** An amount that stands alone, with a point or a comma before its decimals. */
    public static function oneAmount(Given $given): BigDecimal
    {
        $text = $given->text(60);

        return self::amount(
            new NumberReader(NumberStyle::maybeProven([$text]) ?? NumberStyle::Point),
            $text,
            $given->path,
        ) ?? throw $given->refuse('an amount');
    }

    private static function plain(string $text): ?BigDecimal
    {
        return '' === $text ? null : (new NumberReader(NumberStyle::Point))->maybe($text);
    }
}
