<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Names;

/** A map that treats all names alike, as where they tell by themselves what they are of. */
abstract readonly class AnyName implements NameMap
{
    public function measure(string $name): string
    {
        return $this->name($name);
    }

    public function breakdown(string $name): string
    {
        return $this->name($name);
    }

    public function field(string $name): string
    {
        return $this->name($name);
    }

    public function member(?string $breakdown, string $name): string
    {
        return $this->name($name);
    }

    abstract protected function name(string $name): string;
}
