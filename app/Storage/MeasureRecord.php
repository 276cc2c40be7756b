<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\Measure;

#[ORM\Entity]
#[ORM\Table(name: 'measure')]
class MeasureRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    /** @var list<string> names that files may still use */
    #[ORM\Column(type: Types::JSON, options: ['default' => '[]'])]
    public array $former = [];

    /** Which of the bands its amounts are the limits of, from 0; none for a measure proper. */
    #[ORM\Column(nullable: true)]
    public ?int $band = null;

    /** @param int $scale decimals of the amounts in the fact store */
    public function __construct(
        #[ORM\ManyToOne(targetEntity: DatasetRecord::class, inversedBy: 'measures'), ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public DatasetRecord $dataset,
        #[ORM\Column]
        public int $position,
        #[ORM\Column(length: 200)]
        public string $name,
        #[ORM\Column(length: 20)]
        public string $unit,
        #[ORM\Column]
        public int $scale,
        #[ORM\Column(length: 10)]
        public string $grouping,
        #[ORM\Column(length: 4, nullable: true)]
        public ?string $better,
        #[ORM\Column(length: 200, nullable: true)]
        public ?string $numerator,
        #[ORM\Column(length: 200, nullable: true)]
        public ?string $denominator,
    ) {
    }

    public function measure(): Measure
    {
        return new Measure($this->name, $this->unit, max(0, $this->scale), Grouping::from($this->grouping), null === $this->better ? null : Better::from($this->better), $this->numerator, $this->denominator, $this->band);
    }
}
