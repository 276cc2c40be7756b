<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use KeenMargin\App\Storage\Upkeep\Tidy;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** Removes what has outlived the time that it is kept for. */
#[AsCommand('keen:tidy', 'Removes what has outlived the time that it is kept for')]
final class TidyCommand extends Command
{
    public function __construct(private readonly Tidy $tidy)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $gone = $this->tidy->run();
        $output->writeln(
            [] === $gone
                ? 'There is nothing to remove.'
                : array_map(static fn (string $what): string => "Removed: $what.", $gone),
            OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
