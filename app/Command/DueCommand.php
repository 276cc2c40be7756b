<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use KeenMargin\App\Storage\Sources\SourceStore;
use Psr\Clock\ClockInterface;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Input\InputOption;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\Process\Process;

/** Runs what is due until it is ended: a process for each source, so that none can hold up or end another. */
#[AsCommand('keen:due', 'Fetches sources when they are due', hidden: true)]
final class DueCommand extends Command
{
    private const AT_ONCE = 2;
    private const LOOK_EACH_MS = 1_000;
    /** Seconds after which a fetch is ended. */
    private const LONGEST = 3_600;

    public function __construct(
        private readonly SourceStore $sources,
        private readonly ClockInterface $clock,
        #[Autowire('%kernel.project_dir%')] private readonly string $project,
    ) {
        parent::__construct();
    }

    protected function configure(): void
    {
        $this->addOption('once', null, InputOption::VALUE_NONE);
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $isOnce = true === $input->getOption('once');
        /** @var array<int, Process> $running by source */
        $running = [];
        for ($isFirst = true; $isFirst || !$isOnce || [] !== $running; $isFirst = false) {
            $isFirst || usleep(1000 * self::LOOK_EACH_MS);
            $running = array_filter($running, static fn (Process $process): bool => $process->isRunning());
            $due = $isOnce && !$isFirst ? [] : $this->dueNow($output);
            foreach (array_diff($due, array_keys($running)) as $id) {
                if (\count($running) < self::AT_ONCE || $isOnce) {
                    $running[$id] = $this->begin($id);
                }
            }
        }

        return self::SUCCESS;
    }

    /** @return list<int> none where the database cannot be asked just now */
    private function dueNow(OutputInterface $output): array
    {
        try {
            return $this->sources->due($this->clock->now());
        } catch (\Doctrine\DBAL\Exception $e) {
            $output->writeln($e->getMessage(), OutputInterface::OUTPUT_RAW);

            return [];
        }
    }

    private function begin(int $id): Process
    {
        $process = new Process(
            ['php', '-d', 'memory_limit=2G', "$this->project/bin/console", 'keen:fetch', (string) $id, '--due'],
            timeout: self::LONGEST,
        );
        $process->disableOutput();
        $process->start();

        return $process;
    }
}
