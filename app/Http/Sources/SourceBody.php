<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Sources;

use KeenMargin\App\Security\SealedSecrets;
use KeenMargin\App\Sources\Fetching\RunningPeriod;
use KeenMargin\App\Sources\Fetching\SourceDraft;
use KeenMargin\App\Sources\Kind\SourceKinds;
use KeenMargin\App\Sources\Schedule\Schedule;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\SourceRecord;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Arrival\TakesBySelf;
use KeenMargin\Core\Figures\Keeping\ImportMode;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;

/** Reads what the API is told about a source. What is left out stays as it is, or as a new one begins. */
final readonly class SourceBody
{
    public const KEYS = ['name', 'kind', 'settings', 'secret', 'mapping', 'mode', 'schedule', 'takes', 'lookBack'];
    private const LONGEST_SECRET = 1_000;
    private const MOST_LOOK_BACK = 60;

    public function __construct(private SourceKinds $kinds, private SealedSecrets $secrets) {}

    /** @throws NotAccepted */
    public function new(Given $body, DatasetRecord $dataset): SourceRecord
    {
        $kind = $this->kinds->read($body->must('kind'));
        $source = new SourceRecord(
            dataset: $dataset,
            name: trim($body->must('name')->string(120)),
            kind: $kind->id(),
            settings: $kind->settings($body->must('settings')),
            mapping: self::mapping($body->must('mapping')),
            mode: ImportMode::ReplacePeriods->value,
            schedule: Schedule::read(Given::kept([]))->toArray(),
            takes: TakesBySelf::Nothing->value,
        );
        $this->change($source, $body);

        return $source;
    }

    /** @throws NotAccepted */
    public function change(SourceRecord $source, Given $body): void
    {
        $kind = $this->kinds->get($source->kind);
        $settings = $body->maybe('settings');
        if (null !== $settings) {
            $told = $kind->settings($settings);
            // What was remembered is of another place, and its secret is not for a new one to get.
            if ($kind->place($told) !== $kind->place($source->settings)) {
                $source->remembered = [];
            }
            if ($this->host($source, $told) !== $this->host($source, $source->settings)) {
                $source->secret = null;
            }
            $source->settings = $told;
        }
        $secret = $body->maybe('secret')?->text(self::LONGEST_SECRET);
        $source->secret = match ($secret) {
            null => $source->secret,
            '' => null,
            default => $this->secrets->seal($secret),
        };
        $source->name = trim($body->maybe('name')?->string(120) ?? $source->name);
        $mapping = $body->maybe('mapping');
        if (null !== $mapping) {
            $source->mapping = self::mapping($mapping);
            // What could not be read before may be readable now.
            $source->remembered = [];
        }
        $source->mode = $body->maybe('mode')?->enum(ImportMode::class)->value ?? $source->mode;
        $source->takes = $body->maybe('takes')?->enum(TakesBySelf::class)->value ?? $source->takes;
        $source->lookBack = $body->maybe('lookBack')?->int(1, self::MOST_LOOK_BACK) ?? $source->lookBack;
        $schedule = $body->maybe('schedule');
        $source->schedule = null === $schedule ? $source->schedule : Schedule::read($schedule)->toArray();
    }

    /**
     * @param ?SourceRecord $known whose secret is used where none is told and the place is of the same host
     *
     * @throws NotAccepted
     */
    public function draft(Given $body, DatasetRecord $dataset, ?SourceRecord $known): SourceDraft
    {
        $kind = $this->kinds->read($body->must('kind'));
        $settings = $kind->settings($body->must('settings'));
        $secret = $body->maybe('secret')?->text(self::LONGEST_SECRET);
        if (null === $secret && null !== $known?->secret && $known->kind === $kind->id()) {
            $isSame = $this->host($known, $settings) === $this->host($known, $known->settings);
            $secret = $isSame ? $this->secrets->open($known->secret) : null;
        }

        return new SourceDraft(
            kind: $kind,
            settings: $settings,
            secret: $secret,
            schedule: Schedule::read($body->maybe('schedule') ?? Given::kept([])),
            lookBack: $body->maybe('lookBack')?->int(1, self::MOST_LOOK_BACK) ?? 1,
            period: RunningPeriod::of($dataset),
        );
    }

    /**
     * Where a secret would be sent to: a secret that is kept is never sent to a host that somebody else names.
     *
     * @param array<string, mixed> $settings
     */
    private function host(SourceRecord $source, array $settings): string
    {
        $address = \is_string($settings['address'] ?? null) ? $settings['address'] : '';
        $host = '' === $address
            ? array_intersect_key($settings, ['engine' => 0, 'host' => 0, 'port' => 0])
            : array_intersect_key(parse_url($address) ?: [], ['scheme' => 0, 'host' => 0, 'port' => 0]);

        return $source->kind.json_encode($host, \JSON_THROW_ON_ERROR);
    }

    /** @return array<string, mixed> */
    private static function mapping(Given $given): array
    {
        $given->object(MappingReader::KEYS);
        $told = $given->plain();
        \assert(\is_array($told));

        /** @var array<string, mixed> */
        return $told;
    }
}
