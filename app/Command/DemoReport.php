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
use KeenMargin\Core\Document\With;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\TextBlock;
use KeenMargin\Core\Report\Document\References;
use KeenMargin\Core\Report\Document\ReportReader;
use KeenMargin\Core\Report\Page;
use KeenMargin\Core\Report\PageRow;
use KeenMargin\Core\Report\Report;

/** Makes the monthly review of the demo: issued for July, a draft for August. */
final readonly class DemoReport
{
    private const ISSUED_AT = '2026-08-06T16:20:00+00:00';
    private const ISSUED_BY = 'Ida Marsh';
    private const COMMENT = 'reserve-text';

    public function __construct(
        private EntityManagerInterface $manager,
        private ReportEdit $edit,
        private Issuing $issuing,
        private IssueStore $issues,
    ) {}

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
            $id, $this->issuing->of($this->edit->record($id), self::ISSUED_BY, new \DateTimeImmutable(self::ISSUED_AT)),
        );
        $record = $this->edit->record($id);
        $this->edit->save(
            $id, $record->version, self::draft($report), 'The report follows its datasets', self::ISSUED_BY,
        );
    }

    /** What is worked on: closed through what its datasets are, last month's comment taken out. */
    private static function draft(Report $report): Report
    {
        $emptied = static fn (Block $block): Block => self::COMMENT === $block->id()
            ? new TextBlock(self::COMMENT, $block->width())
            : $block;
        $pages = array_map(
            static fn (Page $page): Page => With::of($page, [
                'rows' => array_map(
                    static fn (PageRow $row): PageRow => new PageRow($row->id, array_map($emptied, $row->blocks)),
                    $page->rows,
                ),
            ]),
            $report->pages,
        );

        return $report->withPages($pages)->closed(null);
    }

    /** @param class-string<DatasetRecord|ChartRecord> $class */
    private function idOf(string $class, string $name): string
    {
        $record = $this->manager->getRepository($class)->findOneBy(['name' => $name]);

        return (string) ($record->id ?? throw new \LogicException("The demo has no \"$name\"."));
    }
}
