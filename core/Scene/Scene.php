<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

use KeenMargin\Core\Document\With;

/** A chart before any renderer: a size in points and a tree of marks with finished strings. */
final readonly class Scene
{
    /**
     * @param list<Group> $groups from back to front
     * @param bool $isHorizontal whether lengths lie: bars instead of columns
     * @param string $colours which inks: `effect`, or `greys`
     * @param list<Region> $regions where rows are pointed at, in the rows' order
     * @param list<Handle> $handles what may be moved
     * @param ?Paging $paging where it may be cut into pages; null: nowhere
     * @param ?int $rows how many rows of the workings are drawn, from the first; null: all
     */
    public function __construct(
        public float $width,
        public float $height,
        public string $title,
        public string $description,
        public array $groups,
        public bool $isHorizontal = false,
        public string $colours = 'effect',
        public array $regions = [],
        public array $handles = [],
        public ?Paging $paging = null,
        public ?int $rows = null,
    ) {}

    /** The same with more room below. */
    public function high(float $height): self
    {
        return With::of($this, ['height' => $height]);
    }

    /** @return \Generator<int, Mark> every mark but the groups, from back to front */
    public function marks(): \Generator
    {
        foreach ($this->groups as $group) {
            yield from self::within($group);
        }
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'width' => Plain::round($this->width),
            'height' => Plain::round($this->height),
            'title' => $this->title,
            'description' => $this->description,
            'colours' => $this->colours,
            'regions' => array_map(static fn (Region $region): array => $region->toArray(), $this->regions),
            'handles' => array_map(static fn (Handle $handle): array => $handle->toArray(), $this->handles),
            'marks' => array_map(static fn (Group $group): array => $group->toArray(), $this->groups),
        ];
    }

    /** @return \Generator<int, Mark> */
    private static function within(Group $group): \Generator
    {
        foreach ($group->marks as $mark) {
            if ($mark instanceof Group) {
                yield from self::within($mark);
            } else {
                yield $mark;
            }
        }
    }
}
