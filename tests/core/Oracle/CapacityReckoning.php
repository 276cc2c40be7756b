<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Oracle;

use Brick\Math\BigRational;

/**
 * How full something is, from the design's rules: used and unused make the total, the rate is used over total, all
 * summed first.
 */
final readonly class CapacityReckoning
{
    private ?string $reference;

    public function __construct(private Rules $rules, private Asked $asked)
    {
        $this->reference = $asked->against[0] ?? null;
    }

    public function shows(string $p): bool
    {
        return [] ===
            array_filter($this->asked->parts, fn (string $measure): bool => !$this->rules->shows($measure, $p));
    }

    /**
     * Whether the reference has figures of the total; else of what is used; null where it has neither.
     *
     * @param list<string> $fine all that the question is about
     */
    public function isTargetOnTotal(array $fine): ?bool
    {
        return match (true) {
            [] !== $this->targeted($fine, 'total', ['used', 'unused']) => true,
            [] !== $this->targeted($fine, 'used', ['unused', 'total']) => false,
            default => null,
        };
    }

    /**
     * @param list<string> $fine
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     */
    public function of(array $fine, array $where, ?bool $onTotal): Numbers
    {
        $shown = array_values(array_filter($fine, $this->shows(...)));
        $withTotal = $this->targeted($fine, 'total', ['used', 'unused']);
        $withUsed = $this->targeted($fine, 'used', ['unused', 'total']);
        $values = $this->sums($shown, null, $where);
        $rate = self::rate($values['used'], $values['total']);
        $of = true === $onTotal ? 'total' : 'used';
        $targeted = true === $onTotal ? $withTotal : $withUsed;
        $target = null === $onTotal ? null : $this->sums($targeted, $this->reference, $where)[$of];
        $held = null === $onTotal ? null : $this->sums($targeted, null, $where)[$of];
        if (null !== $this->asked->target) {
            [$rateTarget, $rateHeld] = [BigRational::of($this->asked->target), $rate];
        } else {
            $rated = true === $onTotal ? array_values(array_intersect($withUsed, $withTotal)) : $withUsed;
            $targets = $this->sums($rated, $this->reference, $where);
            $there = $this->sums($rated, null, $where);
            $rateTarget =
                null === $targets['used']
                    ? null
                    : self::rate($targets['used'], true === $onTotal ? $targets['total'] : $there['total']);
            $rateHeld = self::rate($there['used'], $there['total']);
        }

        return new Numbers(
            $values['used'],
            $values + ['target' => $target, 'rate' => $rate, 'rateTarget' => $rateTarget],
            [
                'target' => null === $onTotal ? null : Pair::maybe($held, $target, true),
                'rateTarget' => Pair::maybe($rateHeld, $rateTarget, false),
            ],
            null === $values['used'] xor null === $values['total'],
        );
    }

    /**
     * Periods that are shown and that the reference covers, too.
     *
     * @param list<string> $fine
     * @param 'used'|'total' $part
     * @param list<'used'|'unused'|'total'> $others that make it where it is not told
     *
     * @return list<string>
     */
    private function targeted(array $fine, string $part, array $others): array
    {
        $needed = isset($this->asked->parts[$part]) ? [$part] : $others;
        $covers = fn (string $of, string $p): bool => null !== $this->reference
            && $this->rules->covers($this->asked->parts[$of] ?? '', $this->reference, $p, $this->rules->scenarioAt($p))
            && !$this->rules->isLeftOut($this->asked->parts[$of] ?? '', $this->reference, $p);

        return array_values(array_filter(
            $fine,
            fn (string $p): bool => $this->shows($p)
                && [] === array_filter($needed, static fn (string $of): bool => !$covers($of, $p)),
        ));
    }

    /**
     * @param list<string> $periods
     * @param ?string $scenario null: what is shown
     * @param list<array{field: string, members: list<string>, keeps: bool}> $where
     *
     * @return array{used: ?BigRational, unused: ?BigRational, total: ?BigRational}
     */
    private function sums(array $periods, ?string $scenario, array $where): array
    {
        $cells = array_map(fn (string $p): array => [$scenario ?? $this->rules->scenarioAt($p), $p], $periods);
        $told = array_map(
            fn (string $measure): ?BigRational => $this->rules->together($measure, $cells, $where),
            $this->asked->parts,
        );
        if ([] === array_filter($told)) {
            return ['used' => null, 'unused' => null, 'total' => null];
        }
        [$used, $unused, $total] = array_map(
            static fn (string $part): BigRational => $told[$part] ?? BigRational::zero(),
            ['used', 'unused', 'total'],
        );

        return [
            'used' => \array_key_exists('used', $told) ? $told['used'] : $total->minus($unused),
            'unused' => \array_key_exists('unused', $told) ? $told['unused'] : $total->minus($used),
            'total' => \array_key_exists('total', $told) ? $told['total'] : $used->plus($unused),
        ];
    }

    private static function rate(?BigRational $used, ?BigRational $total): ?BigRational
    {
        return null === $total || $total->isZero()
            ? null
            : ($used ?? BigRational::zero())->multipliedBy(100)->dividedBy($total);
    }
}
