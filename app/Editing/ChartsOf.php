<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Reports\OpenReports;
use KeenMargin\App\Storage\Changes\RowChange;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Question\Change\Renaming;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Document\ReportRenaming;
use KeenMargin\Core\Report\Document\ReportWriter;
use KeenMargin\Core\Report\Page;

/** The named charts of a dataset, as far as a change of it concerns them. */
final readonly class ChartsOf
{
    public function __construct(private EntityManagerInterface $manager)
    {
    }

    /** @return list<RowChange> recipes and notes that follow a renaming */
    public function renamed(DatasetRecord $record, Renaming $renaming): array
    {
        $rows = [];
        foreach ($this->all($record) as $chart) {
            $recipe = $renaming->of($chart->recipe);
            if ($recipe !== $chart->recipe) {
                $rows[] = new RowChange(
                    'chart',
                    (int) $chart->id,
                    ['recipe' => self::json($chart->recipe)],
                    ['recipe' => self::json($recipe)],
                );
            }
        }

        return [
            ...$rows,
            ...$this->notesRenamed($record, $renaming),
            ...self::bandsRenamed($record, $renaming),
            ...$this->reportsRenamed($record, $renaming),
        ];
    }

    /** @return list<RowChange> reports whose questions or texts use the name */
    private function reportsRenamed(DatasetRecord $record, Renaming $renaming): array
    {
        $id = (string) $record->id;
        /** @var array<string, array<string, mixed>> $named */
        $named = $others = [];
        foreach ($this->manager->getRepository(ChartRecord::class)->findAll() as $chart) {
            $chart->dataset->id === $record->id
                ? $named[(string) $chart->id] = $chart->recipe
                : $others[(string) $chart->id] = true;
        }
        $rows = [];
        foreach ($this->manager->getRepository(ReportRecord::class)->findAll() as $kept) {
            try {
                $report = OpenReports::report($kept->document);
            } catch (NotAccepted) {
                // One that cannot be read any more is no reason not to rename.
                continue;
            }
            $blocks = array_merge([], ...array_map(static fn (Page $page): array => $page->blocks(), $report->pages));
            $isOfOther = static fn (Block $block): bool => $block instanceof ChartBlock
                && isset($others[$block->named]);
            $isOnly =
                [] === array_diff($report->datasets(), [$id]) && [] === array_filter($blocks, $isOfOther);
            $renamed = ReportWriter::toArray(ReportRenaming::of($report, $id, $renaming, $named, $isOnly));
            if ($renamed !== ReportWriter::toArray($report)) {
                $rows[] = new RowChange(
                    'report',
                    (int) $kept->id,
                    ['document' => self::json($kept->document)],
                    ['document' => self::json($renamed)],
                );
            }
        }

        return $rows;
    }

    /** @return list<RowChange> measures whose bands are those of a member */
    private static function bandsRenamed(DatasetRecord $record, Renaming $renaming): array
    {
        $rows = [];
        foreach ($record->measures as $measure) {
            $bands = array_map($renaming->bands(...), $measure->bands);
            if ($bands !== $measure->bands) {
                $json = static fn (array $of): string => json_encode(
                    $of,
                    \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE,
                );
                $rows[] = new RowChange(
                    'measure',
                    (int) $measure->id,
                    ['bands' => $json($measure->bands)],
                    ['bands' => $json($bands)],
                );
            }
        }

        return $rows;
    }

    /**
     * @param callable(array<mixed>): bool $concerns given the question
     *
     * @return list<string> a sentence that names them, or none
     */
    public function say(DatasetRecord $record, callable $concerns, string $what): array
    {
        $names = [];
        foreach ($this->all($record) as $chart) {
            if (null !== $chart->deletedAt) {
                continue;
            }
            $question = $chart->recipe['question'] ?? null;
            if ($concerns(\is_array($question) ? $question : [])) {
                $names[] = $chart->name;
            }
        }

        return [] === $names
            ? []
            : [
                (1 === \count($names) ? 'The chart ' : \count($names).' charts ').
                $what.
                ': '.
                Wording::some(array_map(static fn (string $name): string => "“{$name}”", $names), 4).
                '.',
            ];
    }

    /** @return list<RowChange> */
    private function notesRenamed(DatasetRecord $record, Renaming $renaming): array
    {
        $rows = [];
        foreach (
            $this->manager->getRepository(NoteRecord::class)->findBy(['dataset' => $record], ['id' => 'ASC']) as $note
        ) {
            /** @var list<array<mixed>> $filters */
            $filters = json_decode($note->place, true, 8, \JSON_THROW_ON_ERROR);
            $row = RowChange::maybe(
                'note',
                (int) $note->id,
                ['measure' => $note->measure, 'place' => $note->place],
                [
                    'measure' => $renaming->measureName($note->measure),
                    'place' => self::json($renaming->place($filters)),
                ],
            );
            null === $row || ($rows[] = $row);
        }

        return $rows;
    }

    /** @return array<ChartRecord> */
    private function all(DatasetRecord $record): array
    {
        return $this->manager->getRepository(ChartRecord::class)->findBy(['dataset' => $record], ['id' => 'ASC']);
    }

    /** @param array<mixed> $recipe */
    private static function json(array $recipe): string
    {
        return json_encode($recipe, \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES);
    }
}
