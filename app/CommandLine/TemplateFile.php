<?php

declare(strict_types=1);

namespace KeenMargin\App\CommandLine;

use KeenMargin\App\Export\Slides\Template\Template;
use KeenMargin\App\Export\Slides\Template\TemplateSource;

/** A template that is given as a file. */
final readonly class TemplateFile implements TemplateSource
{
    /**
     * @param string $layout by name; blank: the most suitable
     * @param array<string, string> $roles names of its colours by role, where they are told
     */
    public function __construct(private string $path, private string $layout = '', private array $roles = []) {}

    public function maybe(): Template
    {
        return Template::open($this->path)->with($this->layout, $this->roles);
    }
}
