<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Words;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Workings\Arithmetic\Reference;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Arithmetic\UnlikeCells;
use KeenMargin\Core\Workings\Result\Check;

/** Says of which members a comparison is, where some have figures on one side only and these are not compared. */
final readonly class UnlikeWords
{
    private const NAMED = 3;

    /** Place of the breakdown that members are told by; null: they are combinations of several. */
    private ?int $place;
    private string $word;

    /**
     * @param ?string $by the breakdown that rows are members of; null: they are none
     * @param ?string $between the breakdown whose members are compared with one another
     */
    public function __construct(Dataset $dataset, ?string $by, ?string $between = null)
    {
        $names = array_map(static fn (Breakdown $one): string => $one->name, $dataset->breakdowns);
        $others = array_values(array_filter($names, static fn (string $name): bool => $name !== $between));
        $place = null === $by ? false : array_search($by, $others, true);
        $this->place = false !== $place ? $place : (1 === \count($others) ? 0 : null);
        $this->word = null === $this->place ? '' : Wording::withinSentence($others[$this->place]);
    }

    /**
     * `without Cid`, `of 9 of 12 routes`, `where both have figures`; null where all is compared.
     */
    public function subtitle(UnlikeCells $unlike): ?string
    {
        if ($unlike->isEmpty()) {
            return null;
        }
        [$without, $partly, $all] = $this->members($unlike);

        return match (true) {
            null === $this->place || [] !== $partly => 'where both have figures',
            \count($without) <= self::NAMED => 'without '.Wording::and(array_map(self::name(...), $without)),
            default => 'of '.($all - \count($without))." of $all ".Wording::plural($this->word),
        };
    }

    /**
     * `Cid has figures of one side only, so it is not compared with budget`.
     *
     * @return list<Check>
     */
    public function checks(Total $total, Reference ...$references): array
    {
        $checks = [];
        foreach ($references as $reference) {
            $unlike = $total->unlike[$reference->key] ?? new UnlikeCells();
            $unlike->isEmpty()
                || ($checks[] = new Check(
                    'unlike-'.strtolower($reference->key), false, $this->says($unlike, $reference->word),
                ));
        }

        return $checks;
    }

    private function says(UnlikeCells $unlike, string $reference): string
    {
        [$without, $partly] = $this->members($unlike);
        if (null === $this->place) {
            return "Figures that stand on one side only are not compared with $reference";
        }
        $sides = 'figures of one side only';
        $said = [
            ...[] === $without
                ? []
                : [
                    $this->count(array_map(self::name(...), $without)).
                        (1 === \count($without) ? " has $sides" : " have $sides"),
                ],
            ...[] === $partly
                ? []
                : [
                    $this->count(array_map(self::name(...), $partly)).
                        (1 === \count($partly) ? ' has' : ' have').
                        ([] === $without ? " some $sides" : ' some'),
                ],
        ];

        return implode(', ', $said).", not compared with $reference";
    }

    /** @param non-empty-list<string> $names `Cid`, `Ann and Bob`, `12 routes` */
    private function count(array $names): string
    {
        return \count($names) <= self::NAMED
            ? Wording::and($names)
            : Wording::count(\count($names), $this->word, Wording::plural($this->word));
    }

    private static function name(string $member): string
    {
        return '' === $member ? '(blank)' : $member;
    }

    /** @return array{list<string>, list<string>, int} not compared at all, compared in part, how many there are */
    private function members(UnlikeCells $unlike): array
    {
        $own = fn (string $joined): string => null === $this->place ? $joined : explode("\0", $joined)[$this->place];
        $without = array_unique(array_map($own, $unlike->without));
        $compared = array_unique(array_map($own, $unlike->compared));
        $partly = array_unique([...array_map($own, $unlike->partly), ...array_intersect($without, $compared)]);

        return [
            array_values(array_diff($without, $compared)),
            array_values($partly),
            \count(array_unique([...$without, ...$compared])),
        ];
    }
}
