<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/**
 * One primitive of a scene, in points from the top left. `role` says what it is in the chart (`value`, `reference`,
 * `variance`, `label` …), `key` which row of the workings it shows, `of` which number of that row (`AC`, `BU`, `ΔBU`).
 */
interface Mark
{
    /** @return array<string, mixed> plain data, absent properties left out */
    public function toArray(): array;
}
