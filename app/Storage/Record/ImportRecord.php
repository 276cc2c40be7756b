<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** One file or paste that brought facts in. */
#[ORM\Entity]
#[ORM\Table(name: 'import')]
#[ORM\Index(name: 'import_signature', columns: ['signature'])]
#[ORM\Index(name: 'import_digest', columns: ['digest'])]
class ImportRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    #[ORM\Column]
    public \DateTimeImmutable $at;

    /** Who did it, as they sign; may be empty. */
    #[ORM\Column(length: 100, options: ['default' => ''])]
    public string $who = '';

    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $takenBackAt = null;

    /** The import by hand that this one goes on with: both are listed as one, and taken back together. */
    #[ORM\Column(nullable: true)]
    public ?int $partOf = null;

    /** @var array{added?: int, replaced?: int, unchanged?: int, removed?: int} what it changed */
    #[ORM\Column(type: Types::JSON, options: ['default' => '{}'])]
    public array $counts = [];

    /** Name under which the file itself lies with the data. */
    #[ORM\Column(length: 80, nullable: true)]
    public ?string $keptFile = null;

    /**
     * @param string $digest of the bytes that came, by which the same file is known again
     * @param array<string, mixed> $mapping how they were read
     * @param string $signature of the header, by which the next file of its kind is known
     */
    public function __construct(
        #[ORM\ManyToOne(targetEntity: DatasetRecord::class), ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public DatasetRecord $dataset,
        #[ORM\Column(length: 255)] public string $name,
        #[ORM\Column(length: 64)] public string $digest,
        #[ORM\Column] public int $rowCount,
        #[ORM\Column] public int $factCount,
        #[ORM\Column(type: Types::JSON)] public array $mapping,
        #[ORM\Column(length: 20, options: ['default' => 'add'])] public string $mode = 'add',
        #[ORM\Column(length: 40, options: ['default' => ''])] public string $signature = '',
    ) {
        $this->at = new \DateTimeImmutable();
    }
}
