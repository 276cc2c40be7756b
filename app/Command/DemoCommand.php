<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Checking\DatasetFindings;
use KeenMargin\App\Editing\MemberSettings;
use KeenMargin\App\Import\BringIn;
use KeenMargin\App\Import\FirstLook;
use KeenMargin\App\Import\ReadingFile;
use KeenMargin\App\Storage\Changes\RowChangeWriter;
use KeenMargin\App\Storage\DatasetNotes;
use KeenMargin\App\Storage\Imports\ImportKeeper;
use KeenMargin\App\Storage\NamedNote;
use KeenMargin\App\Storage\Names\KeptDocuments;
use KeenMargin\App\Storage\Record\ChartRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Question\Document\QuestionReader;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Question\Document\RecipeWriter;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Workings\About\NoteTarget;
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

    public function __construct(
        private readonly ImportKeeper $keeper,
        private readonly FirstLook $firstLook,
        private readonly EntityManagerInterface $manager,
        private readonly MemberSettings $settings,
        private readonly RowChangeWriter $rows,
        private readonly DatasetFindings $findings,
        private readonly DemoReport $report,
        private readonly DemoMonth $month,
        private readonly KeptDocuments $documents,
        #[Autowire('%kernel.project_dir%/demo')] private readonly string $folder,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        // The last one brought in is the last one used, which the lists show first.
        foreach (
            array_reverse(Given::json((string) file_get_contents("$this->folder/datasets.json"))->list()) as $entry
        ) {
            $file = $entry->must('file')->string();
            $look = $this->firstLook->look(ReadingFile::at("$this->folder/$file", $file));
            $mapping = $this->firstLook->mapping($look, $entry->must('mapping'));
            $dataset = $this->keeper->create(
                FactReader::figures($look->sheet, $mapping, $entry->must('name')->string(), self::ORGANISATION),
                BringIn::source($look, $mapping),
            )->dataset;
            foreach (array_reverse($entry->must('charts')->list()) as $chart) {
                $recipe = RecipeReader::read($chart->must('recipe')->asDocument(), ChartKinds::all());
                $this->manager->persist(new ChartRecord(
                    $dataset,
                    $chart->must('name')->string(),
                    $this->documents->keptRecipe((int) $dataset->id, RecipeWriter::toArray($recipe)),
                ));
            }
            $this->manager->flush();
            $this->settle($dataset, $entry->maybe('settings'));
            foreach ($entry->maybe('notes')?->list() ?? [] as $note) {
                $this->note($dataset, $note);
            }
            foreach ($entry->maybe('accepted')?->entries() ?? [] as $finding => $reason) {
                $this->accept($dataset, $finding, $reason->string());
            }
        }
        $this->report->make("$this->folder/monthly-review.json");
        $this->month->make("$this->folder/month.json");
        $output->writeln('The demo figures are in.');

        return Command::SUCCESS;
    }

    /** Groups and roles of members: by breakdown, changes as the API takes them. */
    private function settle(DatasetRecord $dataset, ?Given $settings): void
    {
        foreach ($settings?->entries() ?? [] as $name => $changes) {
            foreach ($dataset->breakdowns as $breakdown) {
                foreach ($breakdown->name === $name ? $changes->list() : [] as $change) {
                    $this->rows->apply($this->settings->plan($breakdown, $change)->change->rows, true);
                }
            }
        }
    }

    private function note(DatasetRecord $dataset, Given $note): void
    {
        $filters = array_map(QuestionReader::filter(...), $note->maybe('where')?->list() ?? []);
        $place = NoteTarget::of($filters);
        $measure = $note->must('measure')->string();
        $period = Period::of($note->must('period')->string());
        $numbers = $this->documents->numbersOf((int) $dataset->id);
        $this->manager->persist(new NoteRecord(
            dataset: $dataset,
            measure: $numbers->measure($measure),
            period: $period->key(),
            place: DatasetNotes::keptPlace($place, $numbers),
            label: NamedNote::labelled($measure, $place, $period),
            text: $note->must('text')->string(2000),
            author: $note->must('author')->string(),
            at: (new \DateTimeImmutable())->format(\DateTimeInterface::ATOM),
        ));
        $this->manager->flush();
    }

    private function accept(DatasetRecord $dataset, string $id, string $reason): void
    {
        foreach ($this->findings->of($dataset) as $finding) {
            if ($finding['id'] === $id && \is_string($finding['mark'])) {
                $this->findings->accept($dataset, $id, $finding['mark'], $reason, self::ORGANISATION);
            }
        }
    }
}
