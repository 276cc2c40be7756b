<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** A chart that was given a name. All that it shows is in its recipe. */
#[ORM\Entity]
#[ORM\Table(name: 'chart')]
class ChartRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    #[ORM\Version, ORM\Column(type: 'integer')]
    public int $version = 1;

    #[ORM\Column]
    public \DateTimeImmutable $savedAt;

    /** When it was last opened or saved. */
    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $usedAt;

    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $deletedAt = null;

    /** @param array<string, mixed> $recipe */
    public function __construct(
        #[ORM\ManyToOne(targetEntity: DatasetRecord::class), ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public DatasetRecord $dataset,
        #[ORM\Column(length: 200)] public string $name,
        #[ORM\Column(type: Types::JSON)] public array $recipe,
    ) {
        $this->savedAt = $this->usedAt = new \DateTimeImmutable();
    }
}
