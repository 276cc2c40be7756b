<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use Doctrine\DBAL\Exception\DriverException;
use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\CommandLine\InputFile;
use KeenMargin\App\CommandLine\Undecided;
use KeenMargin\App\CommandLine\UsageError;
use KeenMargin\App\Import\BringIn;
use KeenMargin\App\Import\FirstLook;
use KeenMargin\App\Import\ReadingFile;
use KeenMargin\App\Storage\Connection\StorageTrouble;
use KeenMargin\App\Storage\Files\NotWritten;
use KeenMargin\App\Storage\Imports\ImportKeeper;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Brings a file into a dataset without the page: as the file of its kind was read before, or as it is told. */
#[AsCommand('keen:import', 'Brings a file of figures into a dataset')]
final class ImportCommand extends Command
{
    /** Milliseconds that it waits for its turn to write. */
    private const PATIENCE = 60_000;
    private const MODES = [
        'add' => ImportMode::Add,
        'replace-periods' => ImportMode::ReplacePeriods,
        'replace-all' => ImportMode::ReplaceAll,
    ];

    public function __construct(
        private readonly EntityManagerInterface $manager,
        private readonly FirstLook $firstLook,
        private readonly ImportKeeper $keeper,
        #[Autowire('%env(resolve:KEEN_DATA)%')] private readonly string $database,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('dataset', InputArgument::REQUIRED)
            ->addArgument('file', InputArgument::REQUIRED)
            ->addOption('mapping', null, InputOption::VALUE_REQUIRED)
            ->addOption('mode', null, InputOption::VALUE_REQUIRED)
            ->addOption('sheet', null, InputOption::VALUE_REQUIRED)
            ->addOption('new', null, InputOption::VALUE_NONE);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        try {
            $this->manager->getConnection()->executeStatement('PRAGMA busy_timeout = '.self::PATIENCE);
            $this->bringIn($input, $output);

            return self::SUCCESS;
        } catch (UsageError|NotAccepted|RefusedFigures $e) {
            return CommandRefusal::say($output, $e->getMessage());
        } catch (DriverException|NotWritten $e) {
            $trouble = StorageTrouble::maybeOf($e, $this->database) ?? throw $e;

            return CommandRefusal::say($output, $trouble->says());
        }
    }

    private function bringIn(InputInterface $input, OutputInterface $output): void
    {
        $given = self::text($input->getArgument('file'));
        $path = InputFile::path($given, 'figures');
        $told = self::mapping(self::maybeText($input->getOption('mapping')));
        $name = self::text($input->getArgument('dataset'));
        $isNew = true === $input->getOption('new');
        $record = $isNew ? null : $this->dataset($name);
        $file = ReadingFile::at($path, is_file($given) ? basename($given) : InputFile::name($given));
        $look = $this->firstLook->look(
            $file,
            self::maybeText($input->getOption('sheet')) ?? MappingReader::maybeSheet($told),
            MappingReader::maybeHeader($told),
            $record,
        );
        $mapping = $this->firstLook->mapping($look, $told);
        null === $look->known && Undecided::refuse($look->sheet, $mapping, $told, 'in a mapping (--mapping)');
        $mode = self::mode(
            self::maybeText($input->getOption('mode')) ??
                (null === $record ? 'add' : strtr($look->known->mode ?? 'add', ' ', '-')),
        );
        $read = FactReader::figures($look->sheet, $mapping, $name);
        $source = BringIn::source($look, $mapping);
        $import =
            null === $record
                ? $this->keeper->create($read, $source)
                : $this->keeper->bringInto($record, $read, $source, $mode);
        $output->writeln(self::report($import, $read), OutputInterface::OUTPUT_RAW);
    }

    private function dataset(string $name): DatasetRecord
    {
        $repository = $this->manager->getRepository(DatasetRecord::class);
        $record = 1 === preg_match('/^[1-9]\d{0,14}$/D', $name) ? $repository->find((int) $name) : null;
        $named = null === $record ? $repository->findBy(['name' => $name]) : [$record];
        if (\count($named) > 1) {
            throw new UsageError(
                \count($named).
                    " datasets are called \"$name\". Give its number: ".
                    Wording::either(array_map(static fn (DatasetRecord $one): string => (string) $one->id, $named)).
                    '.',
            );
        }

        return $named[0] ?? throw new UsageError("There is no dataset \"$name\". Give --new to make it.");
    }

    private static function mapping(?string $path): ?Given
    {
        if (null === $path) {
            return null;
        }

        return Given::json((string) file_get_contents(InputFile::path($path, 'a mapping')))->object(
            MappingReader::KEYS,
        );
    }

    private static function mode(string $mode): ImportMode
    {
        return self::MODES[$mode] ??
            throw new UsageError("--mode: \"$mode\" is not known; give ".Wording::either(array_keys(self::MODES)).'.');
    }

    /** @return list<string> */
    private static function report(ImportRecord $import, ReadFigures $read): array
    {
        $counts = [];
        foreach ($import->counts as $what => $count) {
            $counts[] = number_format($count).' '.$what;
        }

        return [
            "{$import->dataset->name} (dataset {$import->dataset->id}): ".
            implode(', ', $counts).
            '; '.
            Wording::count($read->rows, 'row', 'rows').
            ' read.',
            ...array_map(
                static fn (Notice $notice): string => ($notice->holds ? '' : 'Look: ').$notice->says.'.',
                $read->table->dataset()->notices,
            ),
        ];
    }

    private static function text(mixed $value): string
    {
        return \is_string($value) ? $value : '';
    }

    private static function maybeText(mixed $value): ?string
    {
        return \is_string($value) ? $value : null;
    }
}
