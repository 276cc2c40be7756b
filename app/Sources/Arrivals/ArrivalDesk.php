<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Arrivals;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Import\BringIn;
use KeenMargin\App\Import\Look;
use KeenMargin\App\Sources\Kind\Due;
use KeenMargin\App\Sources\Kind\Fetched;
use KeenMargin\App\Storage\Files\KeptFiles;
use KeenMargin\App\Storage\Imports\ImportKeeper;
use KeenMargin\App\Storage\Imports\ImportSource;
use KeenMargin\App\Storage\Record\ArrivalRecord;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Arrival\Differences;
use KeenMargin\Core\Figures\Arrival\Picked;
use KeenMargin\Core\Figures\Arrival\TakesBySelf;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use KeenMargin\Core\Figures\Reading\Rows\ReadFigures;
use KeenMargin\Core\Figures\Reading\Text\Refusal;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use Psr\Clock\ClockInterface;

/** Receives what was fetched: lets it in where its source allows that, else has it wait until somebody decides. */
final readonly class ArrivalDesk
{
    private const MOST_REFUSALS = 100;
    /** Times that something is compared anew, as somebody changed the dataset meanwhile. */
    private const TRIES = 3;

    public function __construct(
        private EntityManagerInterface $manager,
        private ArrivalReader $reader,
        private ArrivalChecks $checks,
        private ImportKeeper $keeper,
        private KeptFiles $files,
        private WriteTurn $turn,
        private ClockInterface $clock,
    ) {}

    public function receive(SourceRecord $source, Fetched $fetched, Due $due): Received
    {
        $digest = (string) hash_file(KeptFiles::DIGEST, $fetched->path);
        $scope = hash('sha256', $fetched->scope);
        $before = $this->maybeSameThatWaits($source, $digest) ?? $this->maybeLatest($source, $scope);
        if ($fetched->isWithoutRows()) {
            return new Received(FetchOutcome::NothingNew, 'It has no figures of what was asked for yet.');
        }
        if (null !== $before && $before->digest === $digest && !$this->wasTakenBack($before)) {
            return new Received(FetchOutcome::NothingNew, match ($before->state) {
                ArrivalRecord::WAITS => 'The same that waits already.',
                ArrivalRecord::REFUSED => 'The same that was refused.',
                default => 'Nothing new.',
            });
        }
        $arrival = new ArrivalRecord($source, $due->period->key(), $scope, $fetched->name, $digest);
        $arrival->at = $this->now();
        try {
            $look = $this->reader->look($source, $fetched);
            $arrival->signature = $look->signature;
            $arrival->mapping = BringIn::source($look, $look->mapping)->mapping;
            $read = $this->reader->read($look);
        } catch (RefusedFigures|NotAccepted $e) {
            return $this->keepUnread($arrival, $fetched, $e);
        }

        return $this->receiveRead($arrival, $fetched, $look, $read);
    }

    private function receiveRead(ArrivalRecord $arrival, Fetched $fetched, Look $look, ReadFigures $read): Received
    {
        $source = $arrival->source;
        for ($try = 1;; ++$try) {
            $differences = $this->keeper->differences($source->dataset, $read, ImportMode::from($source->mode));
            $counts = $differences->counts();
            $failing = $this->checks->failing($source, $look, $read);
            if ($this->wasTakenBackBefore($arrival)) {
                $failing[] = 'The same came before and was taken back.';
            }
            $arrival->counts = $counts->toArray();
            $arrival->says = ArrivalWords::says($differences, self::measures($source, $read), $failing);
            if (0 === $counts->all()) {
                $this->overtake($arrival);

                return new Received(FetchOutcome::NothingNew, 'Nothing changed.');
            }
            if (!TakesBySelf::from($source->takes)->lets($counts, $failing)) {
                $this->reader->remember($arrival, $read);
                $this->keep($arrival, $fetched);

                return new Received(FetchOutcome::Waits, $arrival->says);
            }
            try {
                $this->takeBySelf($arrival, $fetched, $read, $source->dataset);

                return new Received(FetchOutcome::Taken, $arrival->says);
            } catch (ChangedSince $e) {
                if ($try >= self::TRIES) {
                    throw $e;
                }
                $this->manager->clear();
                $arrival = $this->again($arrival);
                $source = $arrival->source;
            }
        }
    }

    /**
     * Units and decimals that the differences of an arrival are told with.
     *
     * @return array<string, array{string, int}> by measure
     */
    private static function measures(SourceRecord $source, ReadFigures $read): array
    {
        $told = [];
        foreach ($read->table->dataset()->measures as $measure) {
            $told[$measure->name] = [$measure->unit, $measure->decimals];
        }
        foreach ($source->dataset->measures as $measure) {
            $told[$measure->name] = [$measure->unit, max($measure->scale, $told[$measure->name][1] ?? 0)];
        }

        return $told;
    }

    /** What the dataset would become by what waits; read and compared with the dataset as it is now. */
    public function compared(ArrivalRecord $arrival): ComparedArrival
    {
        $read = $this->reader->again($arrival);
        $mode = ImportMode::from($arrival->source->mode);

        return new ComparedArrival(
            $this->keeper->differences($arrival->source->dataset, $read, $mode),
            array_map(static fn (array $measure): int => $measure[1], self::measures($arrival->source, $read)),
        );
    }

    /**
     * @param ?Picked $picked the part of it that comes in; null: all of it
     *
     * @throws NotWaiting where somebody else has decided
     */
    public function take(ArrivalRecord $arrival, ?Picked $picked, string $who): ImportRecord
    {
        [] !== $arrival->mapping || throw new NotWaiting('It cannot be read, so that there is nothing to take.');
        $id = (int) $arrival->id;
        $source = $this->reader->source($arrival);

        return $this->keeper->bringInto(
            record: $arrival->source->dataset,
            read: $this->reader->again($arrival),
            source: $source,
            mode: ImportMode::from($arrival->source->mode),
            insist: function () use ($id): void {
                $this->waiting($id);
            },
            picked: $picked,
            then: function (ImportRecord $import) use ($id, $picked, $who): void {
                $arrival = $this->waiting($id);
                $isWhole = null === $picked || self::changes($import) >= self::changes($arrival);
                $arrival->state = $isWhole ? ArrivalRecord::TAKEN : ArrivalRecord::TAKEN_IN_PART;
                $this->decide($arrival, $who, $import);
                $this->settleSource($arrival);
            },
        );
    }

    /** @throws NotWaiting */
    public function refuse(int $id, string $reason, string $who): void
    {
        $this->turn->take(function () use ($id, $reason, $who): void {
            $arrival = $this->waiting($id);
            $arrival->state = ArrivalRecord::REFUSED;
            $arrival->reason = $reason;
            $this->decide($arrival, $who);
            $this->settleSource($arrival);
        });
    }

    public function hasWaiting(SourceRecord $source): bool
    {
        return null !== $this->manager
            ->getRepository(ArrivalRecord::class)
            ->findOneBy(['source' => $source, 'state' => ArrivalRecord::WAITS]);
    }

    private function takeBySelf(
        ArrivalRecord $arrival,
        Fetched $fetched,
        ReadFigures $read,
        DatasetRecord $compared,
    ): void {
        [$version, $revision] = [$compared->version, $compared->revision];
        $source = new ImportSource(
            name: $arrival->name,
            digest: $arrival->digest,
            mapping: $arrival->mapping,
            signature: $arrival->signature,
            path: $fetched->path,
            who: $arrival->source->name,
        );
        $this->keeper->bringInto(
            record: $compared,
            read: $read,
            source: $source,
            mode: ImportMode::from($arrival->source->mode),
            insist: static function (DatasetRecord $record) use ($version, $revision): void {
                if ($record->version !== $version || $record->revision !== $revision) {
                    throw new ChangedSince();
                }
            },
            then: function (ImportRecord $import) use ($arrival): void {
                $taken = $this->again($arrival);
                $taken->state = ArrivalRecord::TAKEN;
                $this->decide($taken, '', $import);
                $this->overtakeOthers($taken);
                $this->manager->persist($taken);
                $this->manager->flush();
            },
        );
    }

    private function keepUnread(ArrivalRecord $arrival, Fetched $fetched, RefusedFigures|NotAccepted $e): Received
    {
        $arrival->mapping = [];
        $arrival->says = mb_substr('It cannot be read: '.$e->getMessage(), 0, 1000);
        $arrival->refusals = array_map(
            static fn (Refusal $refusal): array => [
                'row' => $refusal->row,
                'column' => $refusal->column,
                'reason' => $refusal->sentence(),
            ],
            \array_slice($e instanceof RefusedFigures ? $e->refusals : [], 0, self::MOST_REFUSALS),
        );
        $this->keep($arrival, $fetched);

        return new Received(FetchOutcome::Waits, $arrival->says);
    }

    private function keep(ArrivalRecord $arrival, Fetched $fetched): void
    {
        $copy = $this->files->copied($fetched->path, $arrival->digest);
        try {
            $this->turn->take(function () use ($arrival, $copy): void {
                $kept = $this->again($arrival);
                $kept->keptFile = $copy->name;
                $this->overtakeOthers($kept);
                $this->manager->persist($kept);
                $this->manager->flush();
                $copy->keep();
            });
        } catch (\Throwable $e) {
            $copy->drop();
            throw $e;
        }
    }

    /** What waits and is said otherwise now does not wait any more. */
    private function overtake(ArrivalRecord $arrival): void
    {
        $this->turn->take(fn () => $this->overtakeOthers($this->again($arrival)));
    }

    private function overtakeOthers(ArrivalRecord $arrival): void
    {
        $others = $this->manager
            ->getRepository(ArrivalRecord::class)
            ->findBy(['source' => $arrival->source, 'scope' => $arrival->scope, 'state' => ArrivalRecord::WAITS]);
        foreach ($others as $other) {
            $other->state = ArrivalRecord::OVERTAKEN;
            $this->decide($other, '');
        }
    }

    /** A copy that belongs to the records as they are loaded now. */
    private function again(ArrivalRecord $arrival): ArrivalRecord
    {
        $source = $this->manager->find(SourceRecord::class, $arrival->source->id) ??
            throw new NotWaiting('The source was removed meanwhile.');
        $copy = clone $arrival;
        $copy->source = $source;

        return $copy;
    }

    /** The same bytes, whatever was asked for: an address may have changed without its answer. */
    private function maybeSameThatWaits(SourceRecord $source, string $digest): ?ArrivalRecord
    {
        return $this->manager
            ->getRepository(ArrivalRecord::class)
            ->findOneBy(['source' => $source, 'digest' => $digest, 'state' => ArrivalRecord::WAITS]);
    }

    private function maybeLatest(SourceRecord $source, string $scope): ?ArrivalRecord
    {
        return $this->manager
            ->getRepository(ArrivalRecord::class)
            ->findOneBy(['source' => $source, 'scope' => $scope], ['id' => 'DESC']);
    }

    private function wasTakenBack(ArrivalRecord $arrival): bool
    {
        $import = null === $arrival->importId ? null : $this->manager->find(ImportRecord::class, $arrival->importId);

        return null !== $import?->takenBackAt;
    }

    private function wasTakenBackBefore(ArrivalRecord $arrival): bool
    {
        $same = $this->manager
            ->getRepository(ArrivalRecord::class)
            ->findBy(['source' => $arrival->source, 'digest' => $arrival->digest]);

        return [] !== array_filter($same, $this->wasTakenBack(...));
    }

    private function waiting(int $id): ArrivalRecord
    {
        $arrival = $this->manager->find(ArrivalRecord::class, $id);

        return null !== $arrival && ArrivalRecord::WAITS === $arrival->state
            ? $arrival
            : throw new NotWaiting('It was decided meanwhile, or something newer came. Look again.');
    }

    private function decide(ArrivalRecord $arrival, string $who, ?ImportRecord $import = null): void
    {
        $arrival->who = $who;
        $arrival->decidedAt = $this->now();
        $arrival->importId = $import?->id;
    }

    /** How many amounts were changed, or would be. */
    private static function changes(ImportRecord|ArrivalRecord $of): int
    {
        $counts = array_intersect_key($of->counts, array_flip(['added', 'changed', 'replaced', 'removed']));

        return array_sum($counts);
    }

    private function settleSource(ArrivalRecord $arrival): void
    {
        $this->manager->flush();
        if (SourceRecord::WAITS === $arrival->source->state && !$this->hasWaiting($arrival->source)) {
            $arrival->source->state = SourceRecord::CAME;
        }
    }

    private function now(): \DateTimeImmutable
    {
        return $this->clock->now();
    }
}
