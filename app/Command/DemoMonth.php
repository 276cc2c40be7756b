<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Security\SealedSecrets;
use KeenMargin\App\Storage\Imports\CameLog;
use KeenMargin\App\Storage\Month\Expectation;
use KeenMargin\App\Storage\Month\ExpectationStore;
use KeenMargin\App\Storage\Month\HolidayStore;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Time\DayKey;
use KeenMargin\Core\Time\Period;

/** What the demo's months wait for, how late it came so far, and the ledger that freight comes from. */
final readonly class DemoMonth
{
    public function __construct(
        private EntityManagerInterface $manager,
        private ExpectationStore $expectations,
        private CameLog $came,
        private HolidayStore $holidays,
        private SealedSecrets $secrets,
        private WriteTurn $turn,
    ) {}

    public function make(string $file): void
    {
        $told = Given::json((string) file_get_contents($file));
        $closed = Period::of($told->must('closed')->string());
        $this->turn->take(function () use ($told, $closed): void {
            $source = $this->source($told->must('source'));
            foreach ($told->must('expected')->entries() as $name => $expected) {
                $this->expect($this->dataset($name), $expected->list(), $closed, $source);
            }
        });
    }

    /** @param list<Given> $expected */
    private function expect(DatasetRecord $dataset, array $expected, Period $closed, SourceRecord $source): void
    {
        $id = (int) $dataset->id;
        $import = $this->manager->getRepository(ImportRecord::class)->findOneBy(['dataset' => $dataset]);
        $this->came->forget((int) $import?->id);
        $kept = [];
        foreach ($expected as $one) {
            $kept[] = $expectation = new Expectation(
                $one->must('scenario')->enum(Scenario::class),
                $one->must('workingDay')->int(1, 23),
                $one->maybe('whom')?->string() ?? '',
                null === $one->maybe('source') ? null : (int) $source->id,
            );
            $late = $one->must('late')->list();
            foreach ($late as $i => $days) {
                $month = $closed->moved($i + 1 - \count($late));
                $days->isNull() || $this->came->set(
                    $id,
                    (int) $import?->id,
                    $expectation->scenario->value,
                    $month->key(),
                    $this->day($month, $expectation->workingDay, $days->int(0, 20)),
                );
            }
        }
        $this->expectations->replace($id, $kept);
    }

    private function day(Period $month, int $workingDay, int $late): string
    {
        $days = $this->holidays->workingDays();
        $day = $days->due($month->moved(1), $workingDay);
        while ($late > 0) {
            $late -= $days->isWorking(++$day) ? 1 : 0;
        }

        return DayKey::of($day);
    }

    private function source(Given $told): SourceRecord
    {
        /** @var array<string, mixed> $mapping */
        $mapping = (array) $told->must('mapping')->plain();
        /** @var array<string, mixed> $schedule */
        $schedule = (array) $told->must('schedule')->plain();
        $source = new SourceRecord(
            dataset: $this->dataset($told->must('dataset')->string()),
            name: $told->must('name')->string(),
            kind: 'web',
            settings: [
                'address' => $told->must('address')->string(),
                'authentication' => 'bearer',
                'rows' => 'entries',
                'pages' => 'link',
            ],
            mapping: $mapping,
            mode: ImportMode::ReplacePeriods->value,
            schedule: $schedule,
            takes: $told->must('takes')->string(),
            lookBack: $told->must('lookBack')->int(1, 60),
        );
        $source->secret = $this->secrets->seal($told->must('secret')->string());
        $this->manager->persist($source);
        $this->manager->flush();

        return $source;
    }

    private function dataset(string $name): DatasetRecord
    {
        return $this->manager->getRepository(DatasetRecord::class)->findOneBy(['name' => $name]) ??
            throw new \LogicException("The demo has no dataset \"$name\".");
    }
}
