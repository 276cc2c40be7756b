<?php

declare(strict_types=1);

namespace KeenMargin\Core\Kind\CapacityFill;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Kind\ComparisonKind;
use KeenMargin\Core\Question\Fit\QuestionFit;
use KeenMargin\Core\Question\Part\Capacity;
use KeenMargin\Core\Question\Question;

/** Which measures tell what is used, what is not, and of how much. */
final readonly class CapacityQuestion
{
    private const NO_PARTS = 'Two measures of one unit are missing, such as what is used and what there is in all.';
    private const USED = '/\b(used|occupied|sold|booked|taken|filled|consumed)\b/i';
    private const UNUSED = '/\b(unused|free|empty|unsold|vacant|idle|left)\b/i';
    private const WHOLE = '/\b(total|offered|capacity|available|supply|supplied)\b/i';

    public function __construct(private Dataset $dataset) {}

    public function lacks(): ?string
    {
        return match (true) {
            $this->dataset->isTimeless() && [] === $this->dataset->breakdowns => 'The figures have no periods.',
            null === $this->maybeCapacity() => self::NO_PARTS,
            default => null,
        };
    }

    public function adapted(Question $question): Question
    {
        return ComparisonKind::compared(
            With::of($question, [
                'capacity' => $question->capacity ?? $this->maybeCapacity(),
                // Parts of a whole are added up in whole figures.
                'isProRata' => false,
            ]),
            $this->dataset,
            [Scenario::Target, Scenario::Budget],
        );
    }

    /**
     * The measures that the question names.
     *
     * @return array<string, Measure> by the part that they are: two or three of `used`, `unused`, `total`
     *
     * @throws NotAccepted where it names fewer, or measures that cannot be parts of one total
     */
    public function measures(Question $question): array
    {
        $capacity =
            $question->capacity ??
            throw new NotAccepted(
                'question.used', 'How full something is needs two measures of "used", "unused" and "total".',
            );
        $measures = [];
        foreach ($capacity->told() as $part => $name) {
            $measure =
                $this->dataset->maybeMeasure($name) ??
                throw new NotAccepted(
                    "question.$part",
                    "There is no measure \"$name\"; there is ".
                        Wording::some(
                            array_map(static fn (Measure $one): string => $one->name, $this->dataset->measures),
                            8,
                        ).
                        '.',
                );
            $isAdded = Grouping::Sum === $measure->grouping && $measure->isAddedOverMembers();
            QuestionFit::refuseIf(
                !$isAdded, "question.$part", "$name is not added up, so that it cannot be a part of anything.",
            );
            $measures[$part] = $measure;
        }
        $units = array_unique(array_map(static fn (Measure $one): string => $one->unit, $measures));
        QuestionFit::refuseIf(
            \count($units) > 1,
            'question.'.array_key_last($measures),
            'The measures are counted in '.
                Wording::and(array_map(
                    static fn (string $unit): string => '' === $unit ? 'no unit' : $unit,
                    array_values($units),
                )).
                '; parts and total must be of one unit.',
        );

        return $measures;
    }

    /** By their names where these tell it; else the first two of a unit, the second as the total. */
    private function maybeCapacity(): ?Capacity
    {
        $byUnit = [];
        foreach ($this->dataset->measures as $measure) {
            if (Grouping::Sum === $measure->grouping && $measure->isAddedOverMembers() && null === $measure->band) {
                $byUnit[$measure->unit][] = $measure->name;
            }
        }
        $able = array_values(array_filter($byUnit, static fn (array $names): bool => \count($names) > 1));
        if ([] === $able) {
            return null;
        }
        foreach ($able as $names) {
            $unused = self::called(self::UNUSED, $names);
            $used = self::called(self::USED, array_values(array_diff($names, [$unused])));
            $whole = self::called(self::WHOLE, array_values(array_diff($names, [$unused, $used])));
            if (\count(array_filter([$used, $unused, $whole])) > 1) {
                return null !== $used && null !== $whole
                    ? new Capacity($used, null, $whole)
                    : new Capacity($used, $unused, $whole);
            }
        }

        return new Capacity($able[0][0], null, $able[0][1]);
    }

    /** @param list<string> $names */
    private static function called(string $pattern, array $names): ?string
    {
        return array_values(
            array_filter($names, static fn (string $name): bool => 1 === preg_match($pattern, $name)),
        )[0] ?? null;
    }
}
