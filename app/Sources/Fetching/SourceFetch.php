<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Fetching;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Security\SealedSecrets;
use KeenMargin\App\Security\SecretLost;
use KeenMargin\App\Sources\Arrivals\ArrivalDesk;
use KeenMargin\App\Sources\Arrivals\ChangedSince;
use KeenMargin\App\Sources\Arrivals\FetchOutcome;
use KeenMargin\App\Sources\FetchFailed;
use KeenMargin\App\Sources\Kind\Due;
use KeenMargin\App\Sources\Kind\Fetched;
use KeenMargin\App\Sources\Kind\FetchRequest;
use KeenMargin\App\Sources\Kind\SourceKinds;
use KeenMargin\App\Sources\Reach\NotAllowed;
use KeenMargin\App\Sources\Schedule\Schedule;
use KeenMargin\App\Storage\Files\NotWritten;
use KeenMargin\App\Storage\Month\HolidayStore;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\App\Storage\Turn\WriteTurn;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use Psr\Clock\ClockInterface;

/** Fetches a source: at most once at the same time, whoever asks for it. */
final readonly class SourceFetch
{
    public function __construct(
        private EntityManagerInterface $manager,
        private SourceKinds $kinds,
        private SealedSecrets $secrets,
        private SourceLock $lock,
        private ArrivalDesk $desk,
        private WriteTurn $turn,
        private HolidayStore $holidays,
        private ClockInterface $clock,
    ) {}

    /** @param bool $onlyIfDue whether another one may have fetched it meanwhile, so that nothing is to be done */
    public function run(int $id, bool $onlyIfDue = false): FetchOutcome
    {
        $lock = $this->lock->maybe($id);
        if (null === $lock) {
            return FetchOutcome::NotNow;
        }
        $this->manager->clear();
        $source = $this->manager->find(SourceRecord::class, $id);
        if (null === $source || null !== $source->dataset->deletedAt || ($onlyIfDue && !$this->isDue($source))) {
            return FetchOutcome::NotNow;
        }
        if ($onlyIfDue) {
            $this->postpone($id);
            $source = $this->manager->find(SourceRecord::class, $id) ?? $source;
        }
        $folder = FetchFolder::make();
        try {
            return $this->fetch($source, $folder);
        } finally {
            $folder->remove();
            fclose($lock);
        }
    }

    private function fetch(SourceRecord $source, FetchFolder $folder): FetchOutcome
    {
        $due = $this->due($source);
        try {
            $fetched = $this->kinds->get($source->kind)->fetch(new FetchRequest(
                settings: $source->settings,
                secret: $this->maybeSecret($source),
                due: $due,
                remembered: $source->remembered,
                folder: $folder->path,
            ));
            $outcome = null === $fetched ? null : $this->desk->receive($source, $fetched, $due);
        } catch (FetchFailed|NotAllowed|NotAccepted|SecretLost|NotWritten|RefusedFigures|ChangedSince $e) {
            $this->settleFailure((int) $source->id, $e->getMessage());

            return FetchOutcome::Failed;
        }
        $this->settle((int) $source->id, $fetched, $outcome->says ?? 'Nothing new.');

        return $outcome->outcome ?? FetchOutcome::NothingNew;
    }

    /** The first rows of a source that is not kept yet, as a file of the folder. */
    public function look(SourceDraft $draft, FetchFolder $folder, int $rows): Fetched
    {
        $fetched = $draft->kind->fetch(new FetchRequest(
            settings: $draft->settings,
            secret: $draft->secret,
            due: $this->dueOf($draft->schedule, $draft->period, $draft->lookBack),
            remembered: [],
            folder: $folder->path,
            firstRows: $rows,
        ));

        return null === $fetched || $fetched->isWithoutRows()
            ? throw new FetchFailed(
                'There are no figures of what was asked for yet, so that there is nothing to look at. Ask for more '.
                    'periods.',
            )
            : $fetched;
    }

    public function maybeSecret(SourceRecord $source): ?string
    {
        return null === $source->secret ? null : $this->secrets->open($source->secret);
    }

    private function due(SourceRecord $source): Due
    {
        return $this->dueOf(
            Schedule::read(Given::kept($source->schedule)), RunningPeriod::of($source->dataset), $source->lookBack,
        );
    }

    private function dueOf(Schedule $schedule, RunningPeriod $running, int $lookBack): Due
    {
        $today = $this->clock->now()->setTimezone(new \DateTimeZone($schedule->zone));

        return Due::of(
            $running->on($today),
            $lookBack,
            $schedule->every->isWithinPeriod() ? RunningPeriod::day($today) - 1 : null,
        );
    }

    private function isDue(SourceRecord $source): bool
    {
        return null !== $source->dueAt && $source->dueAt <= $this->clock->now();
    }

    /** When a source is due the next time, in the time zone that all times are kept in; null: only when asked for. */
    public function maybeNextDue(SourceRecord $source): ?\DateTimeImmutable
    {
        $now = $this->clock->now();

        return Schedule::read(Given::kept($source->schedule))
            ->maybeNext($now, $this->holidays->workingDays())
            ?->setTimezone($now->getTimezone());
    }

    /** A fetch that is killed, or fails in a way that nobody thought of, is not begun again at once. */
    private function postpone(int $id): void
    {
        $this->turn->take(function () use ($id): void {
            $source = $this->manager->find(SourceRecord::class, $id);
            null === $source || ($source->dueAt = Pauses::maybeAgain(1, $this->clock->now()));
        });
    }

    private function settle(int $id, ?Fetched $fetched, string $says): void
    {
        $this->turn->take(function () use ($id, $fetched, $says): void {
            $source = $this->manager->find(SourceRecord::class, $id);
            if (null === $source) {
                return;
            }
            $source->remembered = $fetched->remember ?? $source->remembered;
            $source->state = $this->desk->hasWaiting($source) ? SourceRecord::WAITS : SourceRecord::CAME;
            $source->failures = 0;
            $this->tell($source, $says);
        });
    }

    private function settleFailure(int $id, string $says): void
    {
        $this->turn->take(function () use ($id, $says): void {
            $source = $this->manager->find(SourceRecord::class, $id);
            if (null === $source) {
                return;
            }
            ++$source->failures;
            $again = Pauses::maybeAgain($source->failures, $this->clock->now());
            $source->state = null === $again ? SourceRecord::STOPPED : SourceRecord::FAILS;
            $this->tell($source, $says);
            $isSooner = null !== $again && (null === $source->dueAt || $again < $source->dueAt);
            $source->dueAt = $isSooner ? $again : $source->dueAt;
        });
    }

    private function tell(SourceRecord $source, string $says): void
    {
        $now = $this->clock->now();
        $source->says = mb_substr($says, 0, 1000);
        $source->triedAt = $now;
        $source->dueAt = $this->maybeNextDue($source);
    }
}
