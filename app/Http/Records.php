<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Record\ArrivalRecord;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\App\Storage\Record\ReportRecord;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\App\Storage\UseLog;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Loads records by their id; a missing or deleted one answers 404 with a sentence. */
final readonly class Records
{
    /** Ids grow by one for each thing that is made; SQLite counts further, but JavaScript does not. */
    public const HIGHEST_ID = 9_007_199_254_740_991;
    /** Of a route: digits of our own script. */
    public const ID = '[0-9]{1,15}';

    public function __construct(private EntityManagerInterface $manager, private UseLog $uses) {}

    public function dataset(int $id): DatasetRecord
    {
        $record = $this->manager->find(DatasetRecord::class, $id);

        return null !== $record && null === $record->deletedAt
            ? $record
            : throw new NotFoundHttpException("There is no dataset $id. It may have been deleted.");
    }

    /** One that is there, or was deleted and can be brought back. */
    public function maybeDeleted(int $id): DatasetRecord
    {
        return $this->manager->find(DatasetRecord::class, $id) ??
            throw new NotFoundHttpException("There is no dataset $id.");
    }

    public function chart(int $id): ChartRecord
    {
        $chart = $this->manager->find(ChartRecord::class, $id);

        return null !== $chart && null === $chart->deletedAt && null === $chart->dataset->deletedAt
            ? $chart
            : throw new NotFoundHttpException("There is no chart $id. It may have been deleted.");
    }

    public function maybeDeletedChart(int $id): ChartRecord
    {
        return $this->manager->find(ChartRecord::class, $id) ??
            throw new NotFoundHttpException("There is no chart $id.");
    }

    public function report(int $id): ReportRecord
    {
        $report = $this->manager->find(ReportRecord::class, $id);

        return null !== $report && null === $report->deletedAt
            ? $report
            : throw new NotFoundHttpException("There is no report $id. It may have been deleted.");
    }

    public function maybeDeletedReport(int $id): ReportRecord
    {
        return $this->manager->find(ReportRecord::class, $id) ??
            throw new NotFoundHttpException("There is no report $id.");
    }

    /** That somebody looks at it. */
    public function used(DatasetRecord|ChartRecord|ReportRecord $record): void
    {
        $this->uses->used($record);
    }

    public function note(int $id): NoteRecord
    {
        $note = $this->manager->find(NoteRecord::class, $id);

        return null !== $note && null === $note->dataset->deletedAt
            ? $note
            : throw new NotFoundHttpException("There is no note $id. It may have been deleted.");
    }

    public function source(int $id): SourceRecord
    {
        $source = $this->manager->find(SourceRecord::class, $id);

        return null !== $source && null === $source->dataset->deletedAt
            ? $source
            : throw new NotFoundHttpException("There is no source $id. It may have been removed.");
    }

    public function arrival(int $id): ArrivalRecord
    {
        $arrival = $this->manager->find(ArrivalRecord::class, $id);

        return null !== $arrival && null === $arrival->source->dataset->deletedAt
            ? $arrival
            : throw new NotFoundHttpException("There is no arrival $id. Its source may have been removed.");
    }

    public function import(int $id): ImportRecord
    {
        $import =
            $this->manager->find(ImportRecord::class, $id) ??
            throw new NotFoundHttpException("There is no import $id.");

        return null === $import->partOf ? $import : $this->import($import->partOf);
    }
}
