<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Editing\ReportEdit;
use KeenMargin\App\Reports\Issuing;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Reports\IssueStore;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Report\Document\References;
use KeenMargin\Core\Report\Document\ReportReader;

/** Makes the monthly review of the demo: issued for July, a draft for August. */
final readonly class DemoReport
{
    private const ISSUED_AT = '2026-08-06T16:20:00+00:00';
    private const ISSUED_BY = 'Ida Marsh';

    public function __construct(
        private EntityManagerInterface $manager,
        private ReportEdit $edit,
        private Issuing $issuing,
        private IssueStore $issues,
    ) {
    }

    /** @param string $file a report as files have it, which is pinned to the month that is issued */
    public function make(string $file): void
    {
        $report = References::renamed(
            ReportReader::read(Given::json((string) file_get_contents($file))),
            fn (string $name): string => $this->idOf(DatasetRecord::class, $name),
            fn (string $name): string => $this->idOf(ChartRecord::class, $name),
        );
        $id = $this->edit->make($report);
        $this->issues->add(
            $id,
            $this->issuing->of($this->edit->record($id), self::ISSUED_BY, new \DateTimeImmutable(self::ISSUED_AT)),
        );
        $record = $this->edit->record($id);
        $this->edit->save(
            $id,
            $record->version,
            $report->closed(null),
            'The report follows its datasets',
            self::ISSUED_BY,
        );
    }

    /** @param class-string<DatasetRecord|ChartRecord> $class */
    private function idOf(string $class, string $name): string
    {
        $record = $this->manager->getRepository($class)->findOneBy(['name' => $name]);

        return (string) ($record->id ?? throw new \LogicException("The demo has no \"$name\"."));
    }
}
