<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Names;

use Doctrine\DBAL\Connection;
use KeenMargin\App\Storage\Connection\Queries;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Question\Names\RecipeNames;
use KeenMargin\Core\Report\Document\ReportNames;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Document\ReportWriter;
use KeenMargin\Core\Report\Merging\UnchangedParts;
use KeenMargin\Core\Report\Report;

/**
 * Recipes and reports on their way into the store and out of it: kept are numbers of measures, breakdowns and members,
 * so that renaming one changes one row; whoever reads them gets the names as they are now.
 */
final readonly class KeptDocuments
{
    public FormerNames $names;
    public KnownNames $known;

    public function __construct(private Connection $connection)
    {
        $this->names = new FormerNames($connection);
        $this->known = new KnownNames($connection);
    }

    /**
     * @param array<string, mixed> $kept
     *
     * @return array<string, mixed> with names
     */
    public function recipe(array $kept): array
    {
        return RecipeNames::of($kept, $this->namesIn($kept));
    }

    /**
     * @param array<string, mixed> $recipe with names
     * @param ?int $known the last change of a name that its author knew of; null: all
     *
     * @return array<string, mixed> with numbers
     */
    public function keptRecipe(int $dataset, array $recipe, ?int $known = null): array
    {
        return RecipeNames::of($recipe, $this->numbersOf($dataset, $known));
    }

    /**
     * A recipe with the names that its author knew, with those of now.
     *
     * @param array<string, mixed> $recipe
     *
     * @return array<string, mixed>
     */
    public function renewed(int $dataset, array $recipe, ?int $known): array
    {
        return $this->recipe($this->keptRecipe($dataset, $recipe, $known));
    }

    /**
     * @param array<string, mixed> $kept
     *
     * @throws NotAccepted where it cannot be read
     */
    public function report(array $kept): Report
    {
        return ReportNames::of(ReportReader::read(Given::kept($kept)), $this->namesIn($kept));
    }

    /**
     * @param ?int $known the last change of a name that its author knew of; null: all
     *
     * @return Report with numbers; ReportWriter makes the document of it that is kept
     */
    public function keptReport(Report $report, ?int $known = null): Report
    {
        $numbers = new NumbersOfReport($this->connection, $this->names, $this->names->maybeKnown($known));

        return ReportNames::of($report, $numbers);
    }

    /**
     * The document of a changed report as it is kept: what says the same as before stays as it was.
     *
     * @param Report $numbered the changed report with numbers
     * @param array<string, mixed> $base document that the change began with
     *
     * @return array<string, mixed>
     */
    public function keptChange(Report $numbered, array $base): array
    {
        $kept = ReportWriter::toArray($numbered);
        if (!$this->namesMerged($base)) {
            return $kept;
        }
        $named = fn (array $document): array => ReportWriter::toArray($this->report($document));

        return UnchangedParts::of($kept, $named($kept), $base, $named($base));
    }

    /** @param array<string, mixed> $document */
    private function namesMerged(array $document): bool
    {
        $members = Queries::list(NumberedName::within($document)[NameKind::Member->value] ?? []);

        return '' !== $members
            && false !== $this->connection->fetchOne(
                "SELECT 1 FROM member WHERE merged_into IS NOT NULL AND id IN ($members) LIMIT 1",
            );
    }

    /** How many named charts and reports refer to it. */
    public function naming(NumberedName $reference): int
    {
        $within = "%\"{$reference->written()}\"%";
        $found = $this->connection->fetchOne(
            'SELECT (SELECT COUNT(*) FROM chart WHERE deleted_at IS NULL AND recipe LIKE ?) + '.
                '(SELECT COUNT(*) FROM report WHERE deleted_at IS NULL AND document LIKE ?)',
            [$within, $within],
        );

        return is_numeric($found) ? (int) $found : 0;
    }

    /** @param array<mixed> $document that numbers stand in, or a list of documents */
    public function namesIn(array $document): NamesNow
    {
        return $this->known->in($document);
    }

    public function numbersOf(int $dataset, ?int $known = null): NameMap
    {
        return new NumbersOf($dataset, $this->names, $this->names->maybeKnown($known));
    }
}
