<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures\Reading\Text;

/**
 * Names that were probably meant to be another: `Norht` for `North`, `NORTH` and `North.` too. Numbers in names are
 * never a slip.
 */
final class NearNames
{
    private const SHORTEST = 4;
    /** More new names than this are a new list, not slips. */
    private const MOST = 300;

    /**
     * @param list<string> $new
     * @param list<string> $known
     *
     * @return array<string, string> the known name by the new one
     */
    public static function of(array $new, array $known): array
    {
        $known = array_values(array_diff($known, $new));
        $plain = [];
        $byLength = [];
        foreach ($known as $name) {
            $plain[self::plain($name)] = $name;
            $byLength[mb_strlen(self::plain($name))][] = $name;
        }
        $near = [];
        foreach (\count($new) > self::MOST ? [] : $new as $name) {
            $own = self::plain($name);
            $same =
                $plain[$own] ??
                self::maybeClose($own, [
                    ...$byLength[mb_strlen($own) - 1] ?? [],
                    ...$byLength[mb_strlen($own)] ?? [],
                    ...$byLength[mb_strlen($own) + 1] ?? [],
                ]);
            if (null !== $same && '' !== $own) {
                $near[$name] = $same;
            }
        }

        return $near;
    }

    /**
     * Names within one list that are near to an earlier one.
     *
     * @param list<string> $names
     *
     * @return array<string, string>
     */
    public static function within(array $names): array
    {
        $near = [];
        foreach (\count($names) > self::MOST ? [] : $names as $i => $name) {
            $near += self::of([$name], \array_slice($names, 0, $i));
        }

        return $near;
    }

    /** @param list<string> $known */
    private static function maybeClose(string $own, array $known): ?string
    {
        if (mb_strlen($own) < self::SHORTEST) {
            return null;
        }
        foreach ($known as $name) {
            $other = self::plain($name);
            if (preg_replace('/\D/', '', $own) === preg_replace('/\D/', '', $other) && self::isOneSlip($own, $other)) {
                return $name;
            }
        }

        return null;
    }

    /** One letter more, fewer or other, or two that changed places. */
    private static function isOneSlip(string $one, string $other): bool
    {
        $a = mb_str_split($one);
        $b = mb_str_split($other);
        $same = 0;
        while (isset($a[$same], $b[$same]) && $a[$same] === $b[$same]) {
            ++$same;
        }
        $restA = \array_slice($a, $same);
        $restB = \array_slice($b, $same);
        $tail = static fn (array $rest, int $from): string => implode('', \array_slice($rest, $from));

        return $tail($restA, 1) === $tail($restB, 1)
            || $tail($restA, 1) === $tail($restB, 0)
            || $tail($restA, 0) === $tail($restB, 1)
            || (isset($restA[1], $restB[1])
                && $restA[0] === $restB[1]
                && $restA[1] === $restB[0]
                && $tail($restA, 2) === $tail($restB, 2));
    }

    private static function plain(string $name): string
    {
        return mb_strtolower((string) preg_replace('/[^\pL\pN]+/u', '', $name));
    }
}
