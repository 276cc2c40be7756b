<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Arrival;

use KeenMargin\Core\Document\With;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Figures\Series\PackedAmounts;
use KeenMargin\Core\Figures\Series\Series;
use KeenMargin\Core\Figures\Sums;

/** The part of an arrival that is taken: some periods, some members of some breakdowns. */
final readonly class Picked
{
    /**
     * @param ?array<int, true> $starts of periods; null: all
     * @param array<string, array<string|int, true>> $members by breakdown; those that are not named are not restricted
     */
    public function __construct(public ?array $starts, public array $members) {}

    /** @param list<string> $breakdowns names, in the order of the members */
    public function letsSeries(Series $series, array $breakdowns): bool
    {
        foreach ($breakdowns as $place => $name) {
            if (isset($this->members[$name]) && !isset($this->members[$name][$series->member($place)])) {
                return false;
            }
        }

        return true;
    }

    /**
     * @template T
     *
     * @param array<int, T> $byStart
     *
     * @return array<int, T>
     */
    public function ofPeriods(array $byStart): array
    {
        return null === $this->starts ? $byStart : array_intersect_key($byStart, $this->starts);
    }

    /** The figures that were read without those that are not taken, and without members that only those have. */
    public function of(ReadFigures $read): ReadFigures
    {
        $dataset = $read->table->dataset();
        $names = array_map(static fn (Breakdown $breakdown): string => $breakdown->name, $dataset->breakdowns);
        $series = $packed = $used = [];
        foreach ($read->table->series as $i => $one) {
            $amounts = $this->letsSeries($one, $names)
                ? $this->ofPeriods(PackedAmounts::unpack($read->table->packed[$i]))
                : [];
            if ([] !== $amounts) {
                $series[] = $one;
                $packed[] = PackedAmounts::pack($amounts);
                foreach (array_keys($names) as $place) {
                    $used[$place][$one->member($place)] = true;
                }
            }
        }

        return new ReadFigures(
            new FactTable(self::withMembers($dataset, $used), $series, $packed, new Sums()),
            $read->rows,
            $read->without,
        );
    }

    /** @param array<int, array<string|int, true>> $used members by place */
    private static function withMembers(Dataset $dataset, array $used): Dataset
    {
        $breakdowns = [];
        foreach ($dataset->breakdowns as $place => $breakdown) {
            $isUsed = static fn (string $member): bool => isset($used[$place][$member]);
            $breakdowns[] = With::of($breakdown, [
                'members' => array_values(array_filter($breakdown->members, $isUsed)),
                'roles' => array_intersect_key($breakdown->roles, $used[$place] ?? []),
            ]);
        }

        return With::of($dataset, ['breakdowns' => $breakdowns]);
    }
}
