<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\ORM\Mapping as ORM;

#[ORM\Entity]
#[ORM\Table(name: 'member')]
class MemberRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    public function __construct(
        #[ORM\ManyToOne(targetEntity: BreakdownRecord::class, inversedBy: 'members'), ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public BreakdownRecord $breakdown,
        #[ORM\Column]
        public int $position,
        #[ORM\Column(length: 500)]
        public string $name,
    ) {
    }
}
