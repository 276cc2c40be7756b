<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** What a source brought, before it counts and after it was decided. */
#[ORM\Entity]
#[ORM\Table(name: 'arrival')]
#[ORM\Index(name: 'arrival_state', columns: ['state'])]
class ArrivalRecord
{
    public const WAITS = 'waits';
    public const TAKEN = 'taken';
    public const TAKEN_IN_PART = 'taken in part';
    public const REFUSED = 'refused';
    /** A later fetch of the same brought something else. */
    public const OVERTAKEN = 'overtaken';

    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    #[ORM\Column]
    public \DateTimeImmutable $at;

    /** One of the constants. */
    #[ORM\Column(length: 20)]
    public string $state = self::WAITS;

    /** Name under which what came lies with the data. */
    #[ORM\Column(length: 80, nullable: true)]
    public ?string $keptFile = null;

    /** @var array<string, mixed> how it is read, header and sheet among it; empty where it could not be read */
    #[ORM\Column(type: Types::JSON)]
    public array $mapping = [];

    #[ORM\Column(length: 40)]
    public string $signature = '';

    /** What it would change and why it waits, as a sentence. */
    #[ORM\Column(length: 1000)]
    public string $says = '';

    /** @var array<string, int> as ArrivalCounts writes them; empty where it could not be read */
    #[ORM\Column(type: Types::JSON)]
    public array $counts = [];

    /** @var list<array{row: int, column: string, reason: string}> the first rows that cannot be read */
    #[ORM\Column(type: Types::JSON)]
    public array $refusals = [];

    /** Why it was refused. */
    #[ORM\Column(length: 1000)]
    public string $reason = '';

    /** Who decided; empty where it came in by itself or waits. */
    #[ORM\Column(length: 100)]
    public string $who = '';

    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $decidedAt = null;

    #[ORM\Column(nullable: true)]
    public ?int $importId = null;

    /**
     * @param string $period that was due
     * @param string $scope digest of what was asked for: what answers the same later overtakes this
     * @param string $digest of the bytes that came
     */
    public function __construct(
        #[ORM\ManyToOne(targetEntity: SourceRecord::class), ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public SourceRecord $source,
        #[ORM\Column(length: 10)] public string $period,
        #[ORM\Column(length: 64)] public string $scope,
        #[ORM\Column(length: 255)] public string $name,
        #[ORM\Column(length: 64)] public string $digest,
    ) {
        $this->at = new \DateTimeImmutable();
    }
}
