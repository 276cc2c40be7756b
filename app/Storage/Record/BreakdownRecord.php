<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\Common\Collections\ArrayCollection;
use Doctrine\Common\Collections\Collection;
use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

#[ORM\Entity]
#[ORM\Table(name: 'breakdown')]
#[ORM\UniqueConstraint(name: 'breakdown_name', columns: ['dataset_id', 'name'])]
class BreakdownRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    /** @var list<string> names that files may still use */
    #[ORM\Column(type: Types::JSON, options: ['default' => '[]'])]
    public array $former = [];

    /** @var Collection<int, MemberRecord> */
    #[ORM\OneToMany(targetEntity: MemberRecord::class, mappedBy: 'breakdown', cascade: ['persist'])]
    #[ORM\OrderBy(['position' => 'ASC'])]
    public Collection $members;

    /** @param int $position from 0: facts keep this breakdown's members in the column of that number */
    public function __construct(
        #[ORM\ManyToOne(targetEntity: DatasetRecord::class, inversedBy: 'breakdowns'),
            ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public DatasetRecord $dataset,
        #[ORM\Column] public int $position,
        #[ORM\Column(length: 200)] public string $name,
    ) {
        $this->members = new ArrayCollection();
    }
}
