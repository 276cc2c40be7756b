<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

/** Shapes that are moved together: a chart, or a row of it. */
final readonly class ShapeGroup implements Node
{
    /**
     * @param string $key within its block; blank: it is the block itself
     * @param string $name as lists of shapes show it: `Jul: AC 1,031, ΔBU +82`
     * @param string $words what it shows, for whoever does not see it
     * @param non-empty-list<Node> $nodes from back to front
     * @param string $brief a shorter name for lists; blank: the name is short
     */
    public function __construct(
        public string $key,
        public string $name,
        public string $words,
        public array $nodes,
        public string $brief = '',
    ) {}

    public function briefly(): string
    {
        return '' === $this->brief ? $this->name : $this->brief;
    }

    public function frame(): SlideFrame
    {
        return SlideFrame::around(array_map(static fn (Node $node): SlideFrame => $node->frame(), $this->nodes));
    }
}
