<?php

declare(strict_types=1);

namespace KeenMargin\App\Command;

use Symfony\Component\Console\Output\ConsoleOutputInterface;
use Symfony\Component\Console\Output\OutputInterface;

/** How a command ends that does nothing: one line on standard error that says why. */
final class CommandRefusal
{
    public const CODE = 2;

    public static function say(OutputInterface $output, string $why): int
    {
        $errors = $output instanceof ConsoleOutputInterface ? $output->getErrorOutput() : $output;
        $errors->writeln((string) preg_replace('/\s+/', ' ', $why), OutputInterface::OUTPUT_RAW);

        return self::CODE;
    }
}
