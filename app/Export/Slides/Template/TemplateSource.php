<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Template;

use KeenMargin\App\Export\Slides\Package\DeckRefused;

/** Where the template of all slides is kept. */
interface TemplateSource
{
    /**
     * Null where slides have none.
     *
     * @throws DeckRefused where what is kept cannot be used
     */
    public function maybe(): ?Template;
}
