<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document\Shape;

/** A value that documents write in a form of its own. */
interface ToJson
{
    /** @return string|array<string, mixed> */
    public function toJson(): string|array;
}
