<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Reports\OpenReports;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Reports\ReportStep;
use KeenMargin\App\Storage\Reports\ReportSteps;
use KeenMargin\App\Storage\Reports\StoredLibrary;
use KeenMargin\App\Storage\Turn\DeletedMeanwhile;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Document\ReportWriter;
use KeenMargin\Core\Report\Merging\ReportMerge;
use KeenMargin\Core\Report\Report;

/** Makes and changes reports. Changes of several people are brought together; each is a step that can be undone. */
final readonly class ReportEdit
{
    public function __construct(
        private EntityManagerInterface $manager,
        private ReportSteps $steps,
        private StoredLibrary $library,
        private ChartKinds $kinds,
        private ReportClosings $closings,
        private WriteTurn $turn,
        private KeptDocuments $documents,
    ) {}

    /** @return int its id */
    public function make(Report $report): int
    {
        return $this->turn->take(function () use ($report): int {
            $record = new ReportRecord($report->title, ReportWriter::toArray($this->documents->keptReport($report)));
            $this->manager->persist($record);
            $this->manager->flush();
            $this->steps->keepVersion((int) $record->id, $record->version, $record->document);

            return (int) $record->id;
        });
    }

    /**
     * Puts a change on top of whatever was changed since it was begun.
     *
     * @param int $based the version that it began with
     * @param string $says what was done, as a sentence without its full stop
     * @param bool $isOver whether it goes on top of what somebody else changed in the same place, which was looked at
     * @param ?int $known the last change of a name that whoever made the change knew of; null: all
     *
     * @throws NotAccepted
     * @throws ReportConflict where somebody else changed the same
     */
    public function save(
        int $id,
        int $based,
        Report $changed,
        string $says,
        string $who,
        bool $isOver = false,
        ?int $known = null,
    ): void {
        $this->turn->take(function () use ($id, $based, $changed, $says, $who, $isOver, $known): void {
            $record = $this->record($id);
            $base = $this->maybeBase($record, $based);
            if (null === $base && !$this->steps->wasThere($id, $based, $record->version)) {
                throw new ReportConflict([], 'There never was a version '.$based.' of this report here.');
            }
            $numbered = $this->documents->keptReport($changed, $known);
            $this->insistOnNewRecipes($numbered, $base ?? []);
            $kept = $this->documents->keptChange($numbered, $base ?? []);
            $this->step($record, self::merged($record, $base, $kept, $isOver), $says, $who);
        });
    }

    /**
     * The last step back, or the next one on.
     *
     * @return ?string what was undone or done again, as a sentence without its full stop; null: there was no step
     *
     * @throws ReportConflict where what it changed was changed otherwise since
     */
    public function move(int $id, bool $forth, string $who): ?string
    {
        return $this->turn->take(function () use ($id, $forth, $who): ?string {
            $step = $this->steps->maybeNext($id, $forth);
            if (null === $step) {
                return null;
            }
            // Changes of datasets let go of all records that were loaded before.
            $this->closings->move($step->closings, $forth, $who);
            $record = $this->record($id);
            [$from, $to] = $forth ? [$step->was, $step->became] : [$step->became, $step->was];
            $merged = ReportMerge::of(
                $this->steps->maybeVersion($id, $from) ?? [],
                $this->steps->maybeVersion($id, $to) ?? [],
                $record->document,
            );
            if ([] !== $merged->conflicts) {
                throw new ReportConflict($merged->conflicts);
            }
            $this->write($record, $merged->document);
            $this->steps->mark($step->id, !$forth);

            return $step->says;
        });
    }

    /**
     * Moves the closing period, and those of the datasets that the report follows.
     *
     * @param int $based the version that it began with
     * @param array<int, string> $closings keys by dataset; none: only the report's own moves
     *
     * @throws ReportConflict where somebody else moved it meanwhile
     */
    public function rollOn(int $id, int $based, Report $moved, array $closings, string $says, string $who): void
    {
        $this->turn->take(function () use ($id, $based, $moved, $closings, $says, $who): void {
            $done = $this->closings->close($closings, $who);
            $record = $this->record($id);
            $base = $this->maybeBase($record, $based);
            $kept = $this->documents->keptChange($this->documents->keptReport($moved), $base ?? []);
            $document = self::merged($record, $base, $kept, false);
            $this->step($record, $document, $says, $who, $done);
        });
    }

    /** @throws DeletedMeanwhile */
    public function record(int $id): ReportRecord
    {
        $record = $this->manager->find(ReportRecord::class, $id);

        return null !== $record && null === $record->deletedAt
            ? $record
            : throw new DeletedMeanwhile("There is no report $id. It may have been deleted.");
    }

    /** @return array<string, mixed>|null the document of that version; null where it is not kept any more */
    private function maybeBase(ReportRecord $record, int $version): ?array
    {
        return $version === $record->version
            ? $record->document
            : $this->steps->maybeVersion((int) $record->id, $version);
    }

    /**
     * A change together with whatever was changed since it was begun.
     *
     * @param array<string, mixed>|null $base that it began with; null: it is not kept any more
     * @param array<string, mixed> $mine
     *
     * @return array<string, mixed>
     *
     * @throws ReportConflict
     */
    private static function merged(ReportRecord $record, ?array $base, array $mine, bool $isOver): array
    {
        if (null === $base && !$isOver) {
            throw new ReportConflict([]);
        }
        $merged = ReportMerge::of($base ?? $record->document, $mine, $record->document, $isOver);
        if ([] !== $merged->conflicts && !$isOver) {
            throw new ReportConflict($merged->conflicts);
        }
        self::insistTogether($merged->document);

        return $merged->document;
    }

    /**
     * Two changes, each of them valid, may together be no report: a fifth block in a row, a thirteenth row.
     *
     * @param array<string, mixed> $document
     *
     * @throws ReportConflict
     */
    private static function insistTogether(array $document): void
    {
        try {
            ReportReader::incoming(Given::kept($document));
        } catch (NotAccepted $e) {
            throw new ReportConflict([$e->path], $e->reason);
        }
    }

    /**
     * @param array<string, mixed> $document
     * @param array<int, array{string|null, string|null}> $closings
     */
    private function step(
        ReportRecord $record,
        array $document,
        string $says,
        string $who,
        array $closings = [],
    ): void {
        $was = $record->version;
        $this->write($record, $document);
        $this->steps->add((int) $record->id, new ReportStep($says, $was, $record->version, $closings), $who);
    }

    /** @param array<string, mixed> $document */
    private function write(ReportRecord $record, array $document): void
    {
        // What two people did together must be a report, too.
        $report = OpenReports::read($document);
        $record->document = ReportWriter::toArray($report);
        $record->title = $report->title;
        ++$record->version;
        $record->savedAt = $record->usedAt = new \DateTimeImmutable();
        $this->steps->keepVersion((int) $record->id, $record->version, $record->document);
    }

    /**
     * Refuses questions that somebody has just asked and that cannot be; those that figures no longer answer stay.
     *
     * @param Report $report with numbers
     * @param array<string, mixed> $base
     *
     * @throws NotAccepted
     */
    private function insistOnNewRecipes(Report $report, array $base): void
    {
        $known = self::recipes([] === $base ? null : OpenReports::read($base));
        foreach (self::recipes($report) as $id => $told) {
            if (($known[$id] ?? null) !== $told) {
                $dataset = $this->library->figures($told['dataset'])->dataset();
                try {
                    RecipeReader::read(
                        Given::kept($this->documents->recipe($told['recipe'])), $this->kinds, $dataset->calendar,
                    );
                } catch (NotAccepted $e) {
                    throw $e->within($report->pathOf($id));
                }
            }
        }
    }

    /** @return array<string, array{dataset: string, recipe: array<string, mixed>}> by block or key figure */
    private static function recipes(?Report $report): array
    {
        $recipes = [];
        foreach ($report?->blocks() ?? [] as $block) {
            if ($block instanceof ChartBlock && null !== $block->recipe) {
                $recipes[$block->id] = ['dataset' => $block->dataset, 'recipe' => $block->recipe];
            }
            foreach ($block instanceof FiguresBlock ? $block->figures : [] as $figure) {
                $recipes[$figure->id] = ['dataset' => $figure->dataset, 'recipe' => $figure->recipe];
            }
        }

        return $recipes;
    }
}
