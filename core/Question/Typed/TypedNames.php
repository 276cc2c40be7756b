<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Typed;

use KeenMargin\Core\Document\SearchText;

/** Finds names as people type them: in any case, in the plural, by how they begin. */
final class TypedNames
{
    /**
     * @param list<string> $names
     *
     * @return string|null the one that is meant; none where it is none, or could be several
     */
    public static function maybeOne(string $text, array $names): ?string
    {
        return self::maybeLike(self::plain(...), $text, $names)
            ?? self::maybeLike(static fn (string $one): string => SearchText::folded(self::plain($one)), $text, $names);
    }

    /**
     * @param \Closure(string): string $form in which text and names are compared
     * @param list<string> $names
     */
    private static function maybeLike(\Closure $form, string $text, array $names): ?string
    {
        $text = $form($text);
        foreach (
            [
                static fn (string $name): bool => $name === $text,
                static fn (string $name): bool => $name.'s' === $text || $name.'es' === $text,
                static fn (string $name): bool => str_starts_with($name, $text),
                static fn (string $name): bool => str_contains($name, $text),
            ] as $is
        ) {
            $found = array_values(array_filter(
                $names,
                static fn (string $name): bool => '' !== $text && $is($form('' === $name ? '(blank)' : $name)),
            ));
            if ([] !== $found) {
                return 1 === \count($found) ? $found[0] : null;
            }
        }

        return null;
    }

    /**
     * Several, with commas and "and" between them; a name that holds these itself is found whole.
     *
     * @param list<string> $names
     *
     * @return list<string>|string names, or the first that is none of them
     */
    public static function several(string $text, array $names): array|string
    {
        $whole = self::maybeOne($text, $names);
        if (null !== $whole) {
            return [$whole];
        }
        $found = [];
        foreach (
            preg_split('/\s*(?:,|;|&|\band\b)\s*/iu', trim($text, ' .'), -1, \PREG_SPLIT_NO_EMPTY) ?: [] as $part
        ) {
            $one = self::maybeOne($part, $names);
            if (null === $one) {
                return $part;
            }
            $found[] = $one;
        }

        return [] === $found ? $text : array_values(array_unique($found));
    }

    public static function plain(string $text): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', mb_strtolower($text)), ' .');
    }
}
