<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** One file or paste that brought facts in. */
#[ORM\Entity]
#[ORM\Table(name: 'import')]
class ImportRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    #[ORM\Column]
    public \DateTimeImmutable $at;

    /**
     * @param string               $digest  SHA-256 of the bytes that came
     * @param array<string, mixed> $mapping how they were read
     */
    public function __construct(
        #[ORM\ManyToOne(targetEntity: DatasetRecord::class), ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public DatasetRecord $dataset,
        #[ORM\Column(length: 255)]
        public string $name,
        #[ORM\Column(length: 64)]
        public string $digest,
        #[ORM\Column]
        public int $rowCount,
        #[ORM\Column]
        public int $factCount,
        #[ORM\Column(type: Types::JSON)]
        public array $mapping,
    ) {
        $this->at = new \DateTimeImmutable();
    }
}
