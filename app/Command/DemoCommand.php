<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\CommandLine\YearHint;
use KeenMargin\App\Storage\ChartRecord;
use KeenMargin\App\Storage\DatasetKeeper;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Reading\FactReader;
use KeenMargin\Core\Figures\Reading\MappingReader;
use KeenMargin\Core\Figures\Reading\RoleGuess;
use KeenMargin\Core\Figures\Reading\Sheet;
use KeenMargin\Core\Question\RecipeReader;
use KeenMargin\Core\Question\RecipeWriter;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Brings the demo figures in, the way a user would. */
#[AsCommand('keen:demo', 'Brings in the demo figures and charts')]
final class DemoCommand extends Command
{
    private const ORGANISATION = 'Brackwater Ferries';

    public function __construct(private readonly DatasetKeeper $keeper, private readonly EntityManagerInterface $manager, #[Autowire('%kernel.project_dir%/demo')] private readonly string $folder)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        // The last one brought in is the last one used, which the lists show first.
        foreach (array_reverse(Given::json((string) file_get_contents("$this->folder/datasets.json"))->list()) as $entry) {
            $file = $entry->must('file')->string();
            $bytes = (string) file_get_contents("$this->folder/$file");
            $sheet = Sheet::ofText($bytes);
            $mapping = MappingReader::read($entry->must('mapping'), RoleGuess::of($sheet, null, YearHint::ofName($file)), $sheet);
            $dataset = $this->keeper->keep(FactReader::read($sheet, $mapping, $entry->must('name')->string(), self::ORGANISATION), $file, hash('sha256', $bytes), \count($sheet->rows), $mapping->toArray());
            foreach (array_reverse($entry->must('charts')->list()) as $chart) {
                $recipe = RecipeReader::read($chart->must('recipe')->asDocument());
                $this->manager->persist(new ChartRecord($dataset, $chart->must('name')->string(), RecipeWriter::toArray($recipe)));
            }
            $this->manager->flush();
        }
        $output->writeln('The demo figures are in.');

        return Command::SUCCESS;
    }
}
