<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** Where figures of a dataset are fetched from, how and when. */
#[ORM\Entity]
#[ORM\Table(name: 'source')]
class SourceRecord
{
    /** Nothing was fetched yet. */
    public const NEW = 'new';
    /** What was fetched last came in, or said nothing new. */
    public const CAME = 'came';
    /** What was fetched last waits to be decided. */
    public const WAITS = 'waits';
    /** It failed, and is tried again. */
    public const FAILS = 'fails';
    /** It failed so often that it is tried again only when it is due the next time, or asked for. */
    public const STOPPED = 'stopped';

    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    /** Counts what people change; what came of fetches does not count. */
    #[ORM\Column(options: ['default' => 1])]
    public int $version = 1;

    /** Sealed; null: there is none. */
    #[ORM\Column(length: 2000, nullable: true)]
    public ?string $secret = null;

    /** @var array<string, mixed> what the kind wants to know the next time, such as an ETag */
    #[ORM\Column(type: Types::JSON)]
    public array $remembered = [];

    /** One of the constants. */
    #[ORM\Column(length: 20)]
    public string $state = self::NEW;

    /** What came of the last fetch, as a sentence. */
    #[ORM\Column(length: 1000)]
    public string $says = '';

    /** Fetches that failed one after the other. */
    #[ORM\Column]
    public int $failures = 0;

    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $triedAt = null;

    /** Null: only when it is asked for. */
    #[ORM\Column(nullable: true)]
    public ?\DateTimeImmutable $dueAt = null;

    /**
     * @param string $kind id of a SourceKind
     * @param array<string, mixed> $settings of that kind, without secrets
     * @param array<string, mixed> $mapping how what comes is read
     * @param string $mode an ImportMode
     * @param array<string, mixed> $schedule as Schedule writes it
     * @param string $takes a TakesBySelf
     * @param int $lookBack periods that are asked for, the one that is due among them
     */
    public function __construct(
        #[ORM\ManyToOne(targetEntity: DatasetRecord::class), ORM\JoinColumn(nullable: false, onDelete: 'CASCADE')]
        public DatasetRecord $dataset,
        #[ORM\Column(length: 120)] public string $name,
        #[ORM\Column(length: 20)] public string $kind,
        #[ORM\Column(type: Types::JSON)] public array $settings,
        #[ORM\Column(type: Types::JSON)] public array $mapping,
        #[ORM\Column(length: 20)] public string $mode,
        #[ORM\Column(type: Types::JSON)] public array $schedule,
        #[ORM\Column(length: 20)] public string $takes,
        #[ORM\Column] public int $lookBack = 1,
    ) {}
}
