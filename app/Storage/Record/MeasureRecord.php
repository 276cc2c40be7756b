<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;
use KeenMargin\App\Storage\Names\NumberedName;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\Grouping;
use KeenMargin\Core\Figures\KeptBands;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\OverMembers;
use KeenMargin\Core\Question\Document\KeptBandsReader;
use KeenMargin\Core\Question\Names\NameMap;
use KeenMargin\Core\Question\Names\RecipeNames;

#[ORM\Entity]
#[ORM\Table(name: 'measure')]
#[ORM\UniqueConstraint(name: 'measure_name', columns: ['dataset_id', 'name'])]
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

    /** How the amounts of several members become one; of a ratio and a rate their grouping says it. */
    #[ORM\Column(length: 10, options: ['default' => 'sum'])]
    public string $overMembers = 'sum';

    /** @var list<array<string, mixed>> bands that its values are judged by, with numbers in place of names */
    #[ORM\Column(type: Types::JSON, options: ['default' => '[]'])]
    public array $bands = [];

    /**
     * @param int $scale decimals of the amounts in the fact store
     * @param ?string $numerator of a ratio, the other measure by its number: `measure#7`
     * @param ?string $denominator likewise
     */
    public function __construct(
        #[ORM\ManyToOne(targetEntity: DatasetRecord::class, inversedBy: 'measures'),
            ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public DatasetRecord $dataset,
        #[ORM\Column] public int $position,
        #[ORM\Column(length: 200)] public string $name,
        #[ORM\Column(length: 20)] public string $unit,
        #[ORM\Column] public int $scale,
        #[ORM\Column(length: 10)] public string $grouping,
        #[ORM\Column(length: 4, nullable: true)] public ?string $better,
        #[ORM\Column(length: 200, nullable: true)] public ?string $numerator,
        #[ORM\Column(length: 200, nullable: true)] public ?string $denominator,
    ) {}

    /** @param ?NameMap $names for the members that its bands are of; null: it is taken without its bands */
    public function measure(?NameMap $names = null): Measure
    {
        return new Measure(
            name: $this->name,
            unit: $this->unit,
            decimals: max(0, $this->scale),
            grouping: Grouping::from($this->grouping),
            better: null === $this->better ? null : Better::from($this->better),
            numerator: $this->partName($this->numerator),
            denominator: $this->partName($this->denominator),
            band: $this->band,
            bands: null === $names ? [] : $this->namedBands($names),
            overMembers: OverMembers::from($this->overMembers),
        );
    }

    /** @return list<KeptBands> */
    public function namedBands(NameMap $names): array
    {
        return [] === $this->bands ? [] : KeptBandsReader::read(
            Given::kept(array_map(static fn (array $bands): array => RecipeNames::bands($bands, $names), $this->bands)),
        );
    }

    /** The name of a measure of the same dataset that is kept by its number. */
    public function partName(?string $kept): ?string
    {
        $reference = null === $kept ? null : NumberedName::maybe($kept);
        foreach ($this->dataset->measures as $measure) {
            if (null !== $reference && $measure->id === $reference->id) {
                return $measure->name;
            }
        }

        return $kept;
    }
}
