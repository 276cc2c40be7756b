<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use KeenMargin\App\Security\PassphraseSecrets;
use KeenMargin\App\Security\SealedSecrets;
use KeenMargin\App\Security\SecretLost;
use KeenMargin\App\Storage\Files\NotWritten;
use KeenMargin\App\Storage\Upkeep\Backup;
use KeenMargin\App\Storage\Upkeep\NotRestored;
use KeenMargin\Core\Document\Wording;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Writes all that is kept to one file, while others work. */
#[AsCommand('keen:backup', 'Writes all that is kept to one file')]
final class BackupCommand extends Command
{
    public function __construct(
        #[Autowire('%env(resolve:KEEN_DATA)%')] private readonly string $database,
        private readonly SealedSecrets $secrets,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('file', InputArgument::REQUIRED)
            ->addOption('passphrase-file', null, InputOption::VALUE_REQUIRED);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        \assert(\is_string($file));
        try {
            if (!is_file($this->database)) {
                throw new NotRestored("There are no figures in $this->database.");
            }
            $done = Backup::write($this->database, $file, $this->maybeResealed($input->getOption('passphrase-file')));
        } catch (NotRestored|NotWritten|SecretLost $e) {
            return CommandRefusal::say($output, $e->getMessage());
        } catch (\PDOException $e) {
            return CommandRefusal::say($output, "The database could not be copied to $file: {$e->getMessage()}.");
        }
        $output->writeln(
            "$file: ".
                Wording::count($done['datasets'], 'dataset', 'datasets').
                ', '.
                Wording::count($done['files'], 'kept file', 'kept files').
                ', '.
                StatusCommand::bytes($done['bytes']).
                '; read again and found whole.',
            OutputInterface::OUTPUT_RAW,
        );
        $done['secretsLeftOut'] > 0 && $output->writeln(
            Wording::count($done['secretsLeftOut'], 'password or token', 'passwords and tokens').
                ' of sources left out; --passphrase-file takes them along, encrypted.',
            OutputInterface::OUTPUT_RAW,
        );
        foreach ($done['missing'] as $name) {
            $output->writeln(
                "Look: the kept file $name is not there any more, or was changed, and so is not in the backup.",
                OutputInterface::OUTPUT_RAW,
            );
        }

        return 0;
    }

    /** @return ?\Closure(string): string null: no secret is taken along */
    private function maybeResealed(mixed $file): ?\Closure
    {
        if (!\is_string($file)) {
            return null;
        }
        $own = PassphraseSecrets::ofFile($file);

        return fn (string $sealed): string => $own->seal($this->secrets->open($sealed));
    }
}
