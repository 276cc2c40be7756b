<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\Core\Document\Wording;

/** The named charts of a dataset, as far as a change of it concerns them. */
final readonly class ChartsOf
{
    public function __construct(private EntityManagerInterface $manager, private KeptDocuments $documents) {}

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
            $question = $this->documents->recipe($chart->recipe)['question'] ?? null;
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

    /** @return array<ChartRecord> */
    private function all(DatasetRecord $record): array
    {
        return $this->manager->getRepository(ChartRecord::class)->findBy(['dataset' => $record], ['id' => 'ASC']);
    }
}
