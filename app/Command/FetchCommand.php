<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use KeenMargin\App\Sources\Arrivals\FetchOutcome;
use KeenMargin\App\Sources\Fetching\SourceFetch;
use KeenMargin\App\Storage\Sources\SourceStore;
use KeenMargin\Core\Document\Wording;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputArgument;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;

/** Fetches sources now: the one that is named, or all. */
#[AsCommand('keen:fetch', 'Fetches sources now')]
final class FetchCommand extends Command
{
    public function __construct(private readonly SourceFetch $fetch, private readonly SourceStore $sources)
    {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addArgument('source', InputArgument::OPTIONAL)->addOption('due', null, InputOption::VALUE_NONE);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $name = $input->getArgument('source');
        $onlyIfDue = true === $input->getOption('due');
        $ids = \is_string($name) ? $this->sources->called($name) : $this->sources->all();
        if (\is_string($name) && 1 !== \count($ids)) {
            return CommandRefusal::say(
                $output,
                [] === $ids
                    ? "There is no source \"$name\"."
                    : \count($ids)." sources are called \"$name\". Give its number: ".Wording::either(
                        array_map(strval(...), $ids),
                    ).'.',
            );
        }
        $failed = false;
        foreach ($ids as $id) {
            $outcome = $this->fetch->run($id, $onlyIfDue);
            $failed = $failed || FetchOutcome::Failed === $outcome;
            $says = FetchOutcome::NotNow === $outcome ? 'It is being fetched already.' : $this->sources->says($id);
            $onlyIfDue || $output->writeln($this->sources->name($id).": $says", OutputInterface::OUTPUT_RAW);
        }
        if ([] === $ids && !$onlyIfDue) {
            $output->writeln('No dataset has a source.', OutputInterface::OUTPUT_RAW);
        }

        return $failed ? self::INVALID : self::SUCCESS;
    }
}
