<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** A dataset as it is stored; its figures are in the series store. */
#[ORM\Entity]
#[ORM\Table(name: 'dataset')]
class DatasetRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    #[ORM\Version, ORM\Column(type: 'integer')]
    public int $version = 1;

    /** @var Collection<int, MeasureRecord> */
    #[ORM\OneToMany(targetEntity: MeasureRecord::class, mappedBy: 'dataset', cascade: ['persist'])]
    #[ORM\OrderBy(['position' => 'ASC'])]
    public Collection $measures;

    /** @var Collection<int, BreakdownRecord> */
    #[ORM\OneToMany(targetEntity: BreakdownRecord::class, mappedBy: 'dataset', cascade: ['persist'])]
    #[ORM\OrderBy(['position' => 'ASC'])]
    public Collection $breakdowns;

    /** Key of a period; none where it follows from the last actuals. */
    #[ORM\Column(length: 10, nullable: true)]
    public ?string $closedThrough = null;

    #[ORM\Column]
    public \DateTimeImmutable $usedAt;

    #[ORM\Column]
    public int $factCount = 0;

    /** Counts the changes to figures by hand; those to what the dataset is are counted by its version. */
    #[ORM\Column(options: ['default' => 0])]
    public int $revision = 0;

    /** The finest grain that questions are offered; none: that of the figures. */
    #[ORM\Column(length: 10, nullable: true)]
    public ?string $finest = null;

    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $deletedAt = null;

    /**
     * @param array<string, list<int>> $coverage starts of the periods with figures, by scenario code
     * @param list<array{id: string, holds: bool, says: string, members?: array<string, list<string>>}> $notices
     */
    public function __construct(
        #[ORM\Column(length: 200)] public string $name,
        #[ORM\Column(length: 200)] public string $organisation,
        #[ORM\Column(length: 10)] public string $grain,
        #[ORM\Column] public int $firstMonth,
        #[ORM\Column(type: Types::JSON)] public array $coverage,
        #[ORM\Column(type: Types::JSON)] public array $notices,
    ) {
        $this->measures = new ArrayCollection();
        $this->breakdowns = new ArrayCollection();
        $this->usedAt = new \DateTimeImmutable();
    }
}
