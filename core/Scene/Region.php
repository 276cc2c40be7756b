<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** Where a reader points at a row of the workings. */
final readonly class Region
{
    /**
     * @param string $key of the row
     * @param Box $reach in which pointing means the row
     * @param Box $lit what is lit while it does: the row's marks with some room
     */
    public function __construct(public string $key, public Box $reach, public Box $lit) {}

    /** @return array{key: string, reach: list<float>, lit: list<float>} boxes as left, top, right, bottom */
    public function toArray(): array
    {
        return ['key' => $this->key, 'reach' => self::edges($this->reach), 'lit' => self::edges($this->lit)];
    }

    /** @return list<float> */
    private static function edges(Box $box): array
    {
        return array_map(Plain::round(...), [$box->left, $box->top, $box->right, $box->bottom]);
    }
}
