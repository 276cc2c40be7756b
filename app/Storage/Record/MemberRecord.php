<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

#[ORM\Entity]
#[ORM\Table(name: 'member')]
#[ORM\UniqueConstraint(name: 'member_name', columns: ['breakdown_id', 'name'])]
#[ORM\Index(name: 'member_order', columns: ['breakdown_id', 'position', 'name'])]
#[ORM\Index(name: 'member_traits', columns: ['breakdown_id', 'merged_into', 'parent_id', 'role', 'former'])]
class MemberRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    #[ORM\Column(nullable: true)]
    public ?int $parentId = null;

    #[ORM\Column(length: 10, nullable: true)]
    public ?string $role = null;

    #[ORM\Column(nullable: true)]
    public ?int $mergedInto = null;

    /** @var list<string> names that files may still use */
    #[ORM\Column(type: Types::JSON, options: ['default' => '[]'])]
    public array $former = [];

    public function __construct(
        #[ORM\ManyToOne(targetEntity: BreakdownRecord::class, inversedBy: 'members'),
            ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public BreakdownRecord $breakdown,
        #[ORM\Column] public int $position,
        #[ORM\Column(length: 500)] public string $name,
    ) {}
}
