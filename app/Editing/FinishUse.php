<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\NamedFinishRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\Shape\Shape;
use KeenMargin\Core\Question\Document\FinishReader;
use KeenMargin\Core\Question\Finish\Finish;

/** Puts a named finish on charts: their words and highlighted rows stay, and they follow it from then on. */
final readonly class FinishUse
{
    public function __construct(private EntityManagerInterface $manager, private KeptDocuments $documents) {}

    /** The finish that new charts begin with; none where no named one is the default. */
    public function maybeDefault(): ?Finish
    {
        $record = $this->manager->getRepository(NamedFinishRecord::class)->findOneBy(['isDefault' => true]);

        return null === $record ? null : self::read($record->finish)->onto(new Finish(), $record->name);
    }

    /**
     * @param array<ChartRecord> $charts
     *
     * @return list<array{id: ?int, recipe: array<string, mixed>}> as they were before
     */
    public function put(NamedFinishRecord $named, array $charts): array
    {
        $before = [];
        foreach ($charts as $chart) {
            $before[] = ['id' => $chart->id, 'recipe' => $this->documents->recipe($chart->recipe)];
            $this->set($chart, self::read($named->finish)->onto(self::of($chart), $named->name));
        }

        return $before;
    }

    /** Charts that bear a name are given the finish, or only lose the name. */
    public function follow(string $name, ?NamedFinishRecord $named): void
    {
        foreach ($this->bearing($name) as $chart) {
            $own = self::of($chart);
            $this->set(
                $chart,
                null === $named ? $own->onto($own, null) : self::read($named->finish)->onto($own, $named->name),
            );
        }
    }

    /** @return list<ChartRecord> */
    public function bearing(string $name): array
    {
        return array_values(array_filter(
            $this->manager->getRepository(ChartRecord::class)->findAll(),
            static fn (ChartRecord $chart): bool => \is_array($chart->recipe['finish'] ?? null)
                && ($chart->recipe['finish']['named'] ?? null) === $name,
        ));
    }

    private static function of(ChartRecord $chart): Finish
    {
        $finish = $chart->recipe['finish'] ?? [];

        return self::read(\is_array($finish) ? $finish : []);
    }

    /** @param array<mixed> $finish */
    private static function read(array $finish): Finish
    {
        return FinishReader::read(Given::kept($finish), false);
    }

    private function set(ChartRecord $chart, Finish $finish): void
    {
        $written = Shape::of(Finish::class)->write($finish);
        $recipe =
            [] === $written
                ? array_diff_key($chart->recipe, ['finish' => 1])
                : array_replace($chart->recipe, ['finish' => $written]);
        // What looks so already is not saved anew: whoever has it open would be told of a change.
        if ($recipe !== $chart->recipe) {
            $chart->recipe = $recipe;
            $chart->savedAt = new \DateTimeImmutable();
        }
    }
}
