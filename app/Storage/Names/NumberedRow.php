<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Question\Names\RecipeNames;

/** Columns of measures, notes and charts that refer to measures, breakdowns and members. */
final class NumberedRow
{
    /**
     * @param string $table `measure`, `note` or `chart`; rows of others refer to nothing
     * @param array<string, mixed> $row some or all of its columns, by name
     *
     * @return array<string, string> those of them that refer to something, as the other names have it
     */
    public static function columns(string $table, array $row, NameMap $names): array
    {
        $columns = [];
        foreach (['measure' => ['numerator', 'denominator'], 'note' => ['measure']][$table] ?? [] as $column) {
            $name = $row[$column] ?? null;
            \is_string($name) && ($columns[$column] = $names->measure($name));
        }
        $documents = [
            'measure' => ['bands' => static fn (array $bands): array => array_map(
                static fn (mixed $one): array => RecipeNames::bands(self::object($one), $names),
                $bands,
            )],
            'note' => ['place' => static fn (array $place): array => RecipeNames::filters($place, $names)],
            'chart' => ['recipe' => static fn (array $recipe): array => RecipeNames::of(self::object($recipe), $names)],
        ];
        foreach ($documents[$table] ?? [] as $column => $named) {
            $document = \is_string($row[$column] ?? null) ? json_decode($row[$column], true) : null;
            \is_array($document) && ($columns[$column] = self::json($named($document)));
        }

        return $columns;
    }

    /** @return array<string, mixed> */
    private static function object(mixed $value): array
    {
        /** @var array<string, mixed> */
        return \is_array($value) ? $value : [];
    }

    /** @param array<mixed> $of */
    private static function json(array $of): string
    {
        return json_encode($of, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }
}
