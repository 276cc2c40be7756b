<?php

declare(strict_types=1);

namespace KeenMargin\Core\Render;

use KeenMargin\Core\Scene\Scene;

/** Writes a scene in one format. Decides nothing: an unknown mark or ink fails. */
interface Renderer
{
    /** The ending of its files, without the point. */
    public function format(): string;

    public function render(Scene $scene): string;
}
