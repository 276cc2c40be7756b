<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core;

use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\LineRole;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Reading\Table\FileTable;
use KeenMargin\Core\Figures\Reading\Table\HeaderPosition;
use KeenMargin\Core\Figures\Series\FactTable;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Recipe;
use KeenMargin\Core\Workings\Result\Workings;
use KeenMargin\Core\Workings\Result\WorkingsWriter;

/** Figures and recipes as a person would write them down, for examples in tests. */
final class Written
{
    public static function sheet(string $bytes, ?HeaderPosition $header = null): FileTable
    {
        return FigureFile::open(self::file($bytes))->sheet(null, $header);
    }

    /** The path of a file with these bytes, gone when the tests end. */
    public static function file(string $bytes): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'keen-written');
        file_put_contents($path, $bytes);
        register_shutdown_function(static fn () => @unlink($path));

        return $path;
    }

    /** @param array<string, mixed> $mapping */
    public static function figures(string $csv, array $mapping = [], string $name = 'Example'): FactTable
    {
        $sheet = self::sheet($csv);
        $given = Given::json(json_encode((object) $mapping, \JSON_THROW_ON_ERROR));

        return FactReader::read($sheet, MappingReader::read($given, RoleGuess::of($sheet, null, 2026), $sheet), $name);
    }

    /**
     * The same figures with members in groups, and with roles as lines of a statement.
     *
     * @param array<string, string> $parents
     * @param array<string, LineRole> $roles
     */
    public static function grouped(
        FactTable $figures,
        string $breakdown,
        array $parents,
        array $roles = [],
    ): FactTable {
        $dataset = $figures->dataset();
        $breakdowns = array_map(
            static fn (Breakdown $one): Breakdown => $one->name === $breakdown
                ? new Breakdown(
                    $one->name,
                    array_values(array_unique([...$one->members, ...array_values($parents)])),
                    $parents,
                    $roles,
                )
                : $one,
            $dataset->breakdowns,
        );

        return new FactTable(
            new Dataset(
                name: $dataset->name,
                measures: $dataset->measures,
                breakdowns: $breakdowns,
                grain: $dataset->grain,
                calendar: $dataset->calendar,
                coverage: $dataset->coverage,
            ),
            $figures->series,
            $figures->packed,
            $figures->sums([], []),
        );
    }

    /**
     * @param array<string, mixed> $question
     * @param array<string, mixed> $finish
     */
    public static function recipe(array $question = [], array $finish = [], string $kind = 'variance-tiers'): Recipe
    {
        return RecipeReader::json(
            json_encode(
                ['keenMargin' => 1, 'question' => (object) $question, 'kind' => $kind, 'finish' => (object) $finish],
                \JSON_THROW_ON_ERROR,
            ),
            ChartKinds::all(),
        );
    }

    /**
     * The workings as the JSON document of their kind has them.
     *
     * @return array<string, mixed>
     */
    public static function document(Workings $workings): array
    {
        return WorkingsWriter::toArray($workings, ChartKinds::all()->of($workings->context->kind)->rowWriter());
    }

    /**
     * @param array<string, mixed> $question
     * @param array<string, mixed> $mapping
     */
    public static function workings(
        string $csv,
        array $question = [],
        array $mapping = [],
        string $kind = 'variance-tiers',
    ): Workings {
        return Drawing::workings(self::recipe($question, [], $kind), self::figures($csv, $mapping), ChartKinds::all());
    }

    /**
     * @param array<string, mixed> $question
     * @param array<string, mixed> $finish
     */
    public static function drawing(
        string $csv,
        array $question = [],
        array $finish = [],
        string $kind = 'variance-tiers',
    ): Drawing {
        return Drawing::of(self::recipe($question, $finish, $kind), self::figures($csv), ChartKinds::all());
    }
}
