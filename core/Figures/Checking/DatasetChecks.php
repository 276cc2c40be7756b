<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Checking;

use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\Series;

/** All checks of a dataset, in one pass over its figures. */
final class DatasetChecks
{
    /**
     * @param iterable<array{Series, string}> $series with their packed amounts
     *
     * @return list<CheckFinding> what does not hold first
     */
    public static function of(Dataset $dataset, iterable $series): array
    {
        $checks = [new Gaps(), new MixedSigns(), new Outliers()];
        foreach ($series as [$one, $packed]) {
            $measure = $dataset->maybeMeasure($one->measure);
            if (null === $measure) {
                continue;
            }
            $line = new CheckedSeries($dataset, $measure, $one, PackedAmounts::unpack($packed));
            foreach ($checks as $check) {
                $check->look($line);
            }
        }
        $findings = [
            ...array_map(
                static fn (Notice $notice): CheckFinding => self::noticed($notice, $dataset),
                $dataset->notices,
            ),
            ...CoverageChecks::of($dataset),
            ...array_map(static fn (LineCheck $check): CheckFinding => $check->finding(), $checks),
        ];
        usort($findings, static fn (CheckFinding $a, CheckFinding $b): int => $a->holds <=> $b->holds);

        return $findings;
    }

    /** What an import had to say, with the members that it is about. */
    private static function noticed(Notice $notice, Dataset $dataset): CheckFinding
    {
        $places = [];
        foreach ($dataset->breakdowns as $breakdown) {
            foreach ($notice->members[$breakdown->name] ?? [] as $member) {
                $members = array_map(
                    static fn (Breakdown $one): string => $one === $breakdown ? $member : '',
                    $dataset->breakdowns,
                );
                $places[] = new FindingTarget($dataset->measures[0]->name, Scenario::Actual, null, $members);
            }
        }

        return [] === $places
            ? new CheckFinding($notice->id, $notice->holds, $notice->says)
            : CheckFinding::at($notice->id, $notice->says, $places);
    }
}
