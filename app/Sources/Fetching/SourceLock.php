<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Fetching;

use KeenMargin\App\Storage\Files\WholeFile;
use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Held while a source is fetched: two processes fetch none at once, and one that is killed lets go. */
final readonly class SourceLock
{
    public function __construct(#[Autowire('%env(resolve:KEEN_DATA)%')] private string $database) {}

    /** @return resource|null held until it is closed; null where somebody else holds it */
    public function maybe(int $source): mixed
    {
        $folder = \dirname($this->database).'/fetching';
        WholeFile::folder($folder);
        $lock = @fopen("$folder/source-".basename($this->database)."-$source", 'c');

        return \is_resource($lock) && flock($lock, \LOCK_EX | \LOCK_NB) ? $lock : null;
    }
}
