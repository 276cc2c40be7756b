<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\ORM\Mapping as ORM;

/**
 * What somebody wrote about a measure, a period and members of a dataset. Written through the dataset's log of changes.
 */
#[ORM\Entity(readOnly: true)]
#[ORM\Table(name: 'note')]
class NoteRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    #[ORM\Column]
    public int $version = 1;

    /**
     * @param string $measure by its number: `measure#7`
     * @param string $place filters as JSON, with numbers in place of names
     * @param string $label of the row that it was written at
     */
    public function __construct(
        #[ORM\ManyToOne(targetEntity: DatasetRecord::class), ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public DatasetRecord $dataset,
        #[ORM\Column(length: 200)] public string $measure,
        #[ORM\Column(length: 12)] public string $period,
        #[ORM\Column(type: 'text')] public string $place,
        #[ORM\Column(length: 1200)] public string $label,
        #[ORM\Column(type: 'text')] public string $text,
        #[ORM\Column(length: 100)] public string $author,
        #[ORM\Column(length: 30)] public string $at,
        #[ORM\Column(name: 'changed_at', length: 30, nullable: true)] public ?string $changedAt = null,
    ) {}
}
