<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Question;

use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Report\Document\NamesOfDatasets;

/** Gives each name a number, whatever it is; and leads back. */
final class NumberedNames implements NameMap, NamesOfDatasets
{
    /** @var list<string> numbers that were given */
    public array $given = [];
    /** @var array<string, string> by what they were given for */
    private array $numbers = [];
    private bool $isBack = false;

    public function back(): self
    {
        $back = clone $this;
        $back->isBack = true;

        return $back;
    }

    public function measure(string $name): string
    {
        return $this->number('measure', '', $name);
    }

    public function breakdown(string $name): string
    {
        return $this->number('breakdown', '', $name);
    }

    public function field(string $name): string
    {
        return 'Fuel' === $name ? $this->measure($name) : $this->breakdown($name);
    }

    public function member(?string $breakdown, string $name): string
    {
        return null === $breakdown && !$this->isBack ? $name : $this->number('member', (string) $breakdown, $name);
    }

    public function of(string $dataset): NameMap
    {
        return $this;
    }

    public function maybeChart(string $named): ?array
    {
        return null;
    }

    private function number(string $kind, string $of, string $name): string
    {
        if ($this->isBack) {
            $found = array_search($name, $this->numbers, true);

            return \is_string($found) ? explode("\0", $found, 3)[2] : $name;
        }
        $key = "$kind\0$of\0$name";
        if (!isset($this->numbers[$key])) {
            $this->numbers[$key] = $kind.'#'.(\count($this->numbers) + 1);
            $this->given[] = $this->numbers[$key];
        }

        return $this->numbers[$key];
    }
}
