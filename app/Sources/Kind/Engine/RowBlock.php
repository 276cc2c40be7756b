<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind\Engine;

/** Some rows of a database. */
final readonly class RowBlock
{
    /**
     * @param list<list<mixed>> $rows
     * @param bool $areTexts whether every cell is a text or null
     */
    public function __construct(public array $rows, public bool $areTexts = false) {}

    /**
     * @param iterable<list<mixed>> $rows
     *
     * @return \Generator<int, self>
     */
    public static function each(iterable $rows, int $size): \Generator
    {
        $some = [];
        foreach ($rows as $row) {
            $some[] = $row;
            if (\count($some) >= $size) {
                yield new self($some);
                $some = [];
            }
        }
        if ([] !== $some) {
            yield new self($some);
        }
    }
}
