<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Arithmetic;

/**
 * Members of which one side of a comparison has figures that the other lacks, where a missing figure is not nothing.
 * A member is here a combination of one of each breakdown, as series join them.
 */
final readonly class UnlikeCells
{
    /**
     * @param list<string> $without members that are not compared at all
     * @param list<string> $partly members that are compared in some periods only
     * @param list<string> $compared members that are compared, at least in part
     */
    public function __construct(public array $without = [], public array $partly = [], public array $compared = []) {}

    public function isEmpty(): bool
    {
        return [] === $this->without && [] === $this->partly;
    }
}
