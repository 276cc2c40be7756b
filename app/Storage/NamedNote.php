<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use KeenMargin\App\Storage\Record\NoteRecord;
use KeenMargin\Core\Workings\About\NoteTarget;

/** A note with the names, as they are now, of the measure and the members that it is about. */
final readonly class NamedNote
{
    public function __construct(public NoteRecord $record, public string $measure, public NoteTarget $place)
    {
    }
}
