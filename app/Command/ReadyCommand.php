<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use KeenMargin\App\Storage\Connection\Readiness;
use KeenMargin\App\Storage\Connection\StorageTrouble;
use KeenMargin\App\Storage\Upkeep\LaterSchema;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/**
 * Before a start: 0 where all is well; 3 with one line where figures can only be read; 2 with one line where they
 * cannot be.
 */
#[AsCommand('keen:ready', 'Tells whether the figures can be served', hidden: true)]
final class ReadyCommand extends Command
{
    public function __construct(#[Autowire('%env(resolve:KEEN_DATA)%')] private readonly string $database)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $trouble = Readiness::maybeTrouble($this->database);
        if (StorageTrouble::Damaged !== $trouble && is_file($this->database) && $this->isLater()) {
            $output->writeln(LaterSchema::says()." It is $this->database", OutputInterface::OUTPUT_RAW);

            return 2;
        }
        if (null === $trouble) {
            return 0;
        }
        $output->writeln($trouble->says().' It is '.$this->database, OutputInterface::OUTPUT_RAW);

        return StorageTrouble::Damaged === $trouble || !is_file($this->database) ? 2 : 3;
    }

    private function isLater(): bool
    {
        return filesize($this->database) > 0
            && [] !== LaterSchema::unknown(new \PDO('sqlite:'.Readiness::address($this->database)));
    }
}
