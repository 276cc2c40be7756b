<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;

/** The kinds of source that there are. */
final readonly class SourceKinds
{
    /** @var array<string, SourceKind> */
    private array $kinds;

    public function __construct(WebKind $web, public DatabaseKind $database, FolderKind $folder)
    {
        $kinds = [$web, $database, $folder];
        $ids = array_map(static fn (SourceKind $kind): string => $kind->id(), $kinds);
        $this->kinds = array_combine($ids, $kinds);
    }

    public function get(string $id): SourceKind
    {
        return $this->kinds[$id] ?? throw new \LogicException("There is no kind of source \"$id\".");
    }

    /** @throws NotAccepted */
    public function read(Given $given): SourceKind
    {
        return $this->get($given->oneOf(array_keys($this->kinds)));
    }
}
