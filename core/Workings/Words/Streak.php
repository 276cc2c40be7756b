<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Words;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Workings\Result\Row;
use KeenMargin\Core\Workings\Result\Sentence;

/** How long the last periods have been on one side of the reference, or whether the last one turned. */
final readonly class Streak
{
    private const LONG = 3;
    private const TURNED = 2;

    /**
     * The last row's side of the reference, and since when.
     *
     * @param list<Row> $rows periods, the last of which is the latest
     */
    public static function maybeSaid(array $rows, RowPhrases $telling, bool $isRunning, bool $namesYears): ?Sentence
    {
        $rows = array_values(
            array_filter($rows, static fn (Row $row): bool => null === $row->key->panel && null !== $row->period),
        );
        $sides = array_reverse(
            array_map(static fn (Row $row): int => $telling->of($row)?->amount->getSign() ?? 0, $rows),
        );
        $run = self::length($sides, 0);
        $reference = $telling->reference;
        $last = $rows[\count($rows) - 1] ?? null;
        if (null === $reference || null === $last || null === $last->period || 0 === $run) {
            return null;
        }
        $side = ($sides[0] > 0 ? 'above ' : 'below ').$reference->word;
        $name = $telling->name($last, $namesYears);
        $unit = $last->period->grain->value;
        $before = self::length($sides, $run);
        if (1 === $run && $before >= self::TURNED) {
            return new Sentence(
                $name,
                ($isRunning ? " turned: its running total is $side after " : " is the first $unit $side after ").
                    Wording::number($before).
                    ($sides[0] > 0 ? ' below it.' : ' above it.'),
            );
        }
        if ($run < self::LONG) {
            return null;
        }
        $since = $telling->name($rows[\count($rows) - $run], $namesYears);

        return match (true) {
            $isRunning => new Sentence('The running total has been ', "$side since ", $since, '.'),
            $run === \count($rows) => new Sentence("Every $unit from ", $since, ' to ', $name, " is $side."),
            default => new Sentence(
                $name, ' is the '.Wording::ordinal($run)." $unit in a row $side, since ", $since, '.',
            ),
        };
    }

    /** @param list<int> $sides the latest first */
    private static function length(array $sides, int $from): int
    {
        $side = $sides[$from] ?? 0;
        for ($to = $from; 0 !== $side && ($sides[$to] ?? 0) === $side;) {
            ++$to;
        }

        return $to - $from;
    }
}
