<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use KeenMargin\App\Storage\Upkeep\Soundness;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Tells whether all that is kept is sound. */
#[AsCommand('keen:check', 'Tells whether all that is kept is sound')]
final class CheckCommand extends Command
{
    public function __construct(#[Autowire('%env(resolve:KEEN_DATA)%')] private readonly string $database)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        if (!is_file($this->database)) {
            return CommandRefusal::say($output, "There are no figures in $this->database.");
        }
        $wrong = 0;
        try {
            $checks = Soundness::ofFile($this->database)->check();
        } catch (\PDOException $e) {
            $checks = [['what' => 'the database itself', 'troubles' => [$e->getMessage()]]];
        }
        foreach ($checks as ['what' => $what, 'troubles' => $troubles]) {
            $output->writeln(([] === $troubles ? 'sound   ' : 'WRONG   ').$what, OutputInterface::OUTPUT_RAW);
            foreach ($troubles as $trouble) {
                $output->writeln("        $trouble", OutputInterface::OUTPUT_RAW);
            }
            $wrong += \count($troubles);
        }
        $output->writeln(
            0 === $wrong
                ? 'All is sound.'
                : 'Not all is sound. ./keen restore brings a backup back; keep a copy of what is here.',
            OutputInterface::OUTPUT_RAW,
        );

        return 0 === $wrong ? 0 : 1;
    }
}
