<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** A report. All that it is stands in its document; what it refers to, by ids. */
#[ORM\Entity]
#[ORM\Table(name: 'report')]
class ReportRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    /** Counted by whoever changes the document, so that each version can be looked up. */
    #[ORM\Column]
    public int $version = 1;

    #[ORM\Column]
    public \DateTimeImmutable $savedAt;

    /** When it was last opened or saved. */
    #[ORM\Column]
    public \DateTimeImmutable $usedAt;

    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $deletedAt = null;

    /** @param array<string, mixed> $document */
    public function __construct(
        #[ORM\Column(length: 200)] public string $title,
        #[ORM\Column(type: Types::JSON)] public array $document,
    ) {
        $this->savedAt = $this->usedAt = new \DateTimeImmutable();
    }
}
