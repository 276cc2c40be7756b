<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use KeenMargin\App\Security\PassphraseSecrets;
use KeenMargin\App\Security\SealedSecrets;
use KeenMargin\App\Security\SecretLost;
use KeenMargin\App\Storage\Files\NotWritten;
use KeenMargin\App\Storage\Upkeep\BackupFile;
use KeenMargin\App\Storage\Upkeep\NotRestored;
use KeenMargin\App\Storage\Upkeep\Restore;
use KeenMargin\Core\Document\Wording;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Brings a backup back: all of it or nothing. */
#[AsCommand('keen:restore', 'Brings a backup back')]
final class RestoreCommand extends Command
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
            ->addOption('replace', null, InputOption::VALUE_NONE)
            ->addOption('passphrase-file', null, InputOption::VALUE_REQUIRED);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $file = $input->getArgument('file');
        \assert(\is_string($file));
        $isServed = is_file("$this->database.serving");
        $serving = @fopen("$this->database.serving", 'c');
        try {
            // Whoever serves the figures holds this lock.
            if (\is_resource($serving) && !flock($serving, \LOCK_EX | \LOCK_NB)) {
                throw new NotRestored('Keen Margin is running on these figures. End it, then restore.');
            }
            $backup = BackupFile::opened($file);
            $done = Restore::run(
                $backup,
                $this->database,
                true === $input->getOption('replace'),
                $this->maybeResealed($input->getOption('passphrase-file')),
            );
        } catch (NotRestored|NotWritten|SecretLost $e) {
            $isServed || @unlink("$this->database.serving");

            return CommandRefusal::say($output, $e->getMessage());
        }
        $output->writeln(
            "$this->database is as it was backed up at $backup->at, with ".
                Wording::count($done['files'], 'kept file', 'kept files').
                '.',
            OutputInterface::OUTPUT_RAW,
        );
        $done['secretsLeftOut'] > 0 && $output->writeln(
            Wording::count($done['secretsLeftOut'], 'password or token', 'passwords and tokens').
                ' of sources left out; --passphrase-file opens them.',
            OutputInterface::OUTPUT_RAW,
        );
        null === $done['beside']
            || $output->writeln("What was there before lies in {$done['beside']}.", OutputInterface::OUTPUT_RAW);

        return 0;
    }

    /** @return ?\Closure(string): ?string null: no secret comes back */
    private function maybeResealed(mixed $file): ?\Closure
    {
        if (!\is_string($file)) {
            return null;
        }
        $own = PassphraseSecrets::ofFile($file);

        return fn (string $sealed): ?string => PassphraseSecrets::isOne($sealed)
            ? $this->secrets->seal($own->open($sealed))
            : null;
    }
}
