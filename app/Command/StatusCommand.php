<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use KeenMargin\App\Storage\Connection\Readiness;
use KeenMargin\App\Storage\Upkeep\Status;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Tells what takes how much room, and what keeps the figures from being served. */
#[AsCommand('keen:status', 'Tells what takes how much room')]
final class StatusCommand extends Command
{
    public function __construct(
        private readonly Status $status,
        #[Autowire('%env(resolve:KEEN_DATA)%')] private readonly string $database,
    ) {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $output->writeln("Figures in $this->database", OutputInterface::OUTPUT_RAW);
        foreach ($this->status->sizes() as [$what, $bytes, $stays]) {
            $output->writeln(
                \sprintf('%12s  %s (%s)', self::bytes($bytes), $what, $stays), OutputInterface::OUTPUT_RAW,
            );
        }
        $free = @disk_free_space(is_dir(\dirname($this->database)) ? \dirname($this->database) : '.');
        $output->writeln(\sprintf('%12s  free on the disk', self::bytes((int) $free)), OutputInterface::OUTPUT_RAW);
        $trouble = Readiness::maybeTrouble($this->database);
        null === $trouble || $output->writeln($trouble->says(), OutputInterface::OUTPUT_RAW);

        return null === $trouble ? 0 : 1;
    }

    public static function bytes(int $bytes): string
    {
        return $bytes < 1_000_000 ? number_format($bytes / 1000, 1).' kB' : number_format($bytes / 1_000_000, 1).' MB';
    }
}
