<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Typed;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Reading\Text\ScenarioWords;
use KeenMargin\Core\Question\Document\NearWriter;
use KeenMargin\Core\Question\Near\BandForm;
use KeenMargin\Core\Question\Near\Bands;
use KeenMargin\Core\Question\Near\BandsDoNotRise;
use KeenMargin\Core\Question\Near\Target;

/** Targets and bands as people type them: `90`, `budget`, `60, 75, 90`, `poor 60, fair 75, good 100`, `+60 +15 +15`. */
final readonly class TypedNear
{
    /** `poor 60`, `below 75`, `90 %`, `good` */
    private const PART = '/^(?<name>\D*?)\s*(?:to |below )?(?<number>[-−]?\d\S*)?\s*%?$/u';
    private const ZEROS = ['k' => 3, 'm' => 6, 'bn' => 9];

    public function __construct(private Dataset $dataset) {}

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    public function target(string $text): array
    {
        $text = trim($text, ' .');
        $isUsual = \in_array(mb_strtolower($text), ['nothing', 'none', 'the usual'], true);

        return ['target' => $isUsual ? null : NearWriter::target($this->aim($text))];
    }

    /**
     * A number, a scenario or a measure.
     *
     * @throws NotAccepted
     */
    public function aim(string $text): Target
    {
        $number = self::maybeNumber($text);
        $scenario = ScenarioWords::maybe($text);
        $names = array_map(static fn (Measure $measure): string => $measure->name, $this->dataset->measures);
        $measure = TypedNames::maybeOne($text, $names);

        return match (true) {
            null !== $number => Target::number($number),
            null !== $scenario => Target::scenario($scenario),
            null !== $measure => Target::measure($measure),
            default => throw new NotAccepted(
                'text', "\"$text\" is no target. Write a number such as 90 or 250k, budget, or the name of a measure.",
            ),
        };
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    public function bands(string $text): array
    {
        $text = trim($text, ' .');
        if (\in_array(mb_strtolower($text), ['nothing', 'none', 'no bands', 'the bands of the figures'], true)) {
            return ['bands' => null];
        }
        $isOfTarget = 1 === preg_match('/\s*(?:%\s*)?of (?:the )?target$/iu', $text, $end);
        $list = $isOfTarget ? substr($text, 0, -\strlen($end[0])) : $text;
        $list = (string) preg_replace('/^(?:bands )?(?:to|up to)\s+/iu', '', $list);
        $isWidths = str_starts_with($list, '+');
        $parts = preg_split($isWidths ? '/[\s,;]*\+\s*/' : '/\s*(?:[,;]|\band\b)\s*(?!\d{3}(?!\d))/u', $list) ?: [];
        $numbers = $names = [];
        foreach (array_filter($parts, static fn (string $part): bool => '' !== trim($part)) as $part) {
            if (1 !== preg_match(self::PART, trim($part), $match)) {
                throw self::noBands($text);
            }
            '' === trim($match['name']) || ($names[] = trim($match['name']));
            $number = self::maybeNumber($match['number'] ?? '');
            null === $number || ($numbers[] = $number);
        }
        $form = match (true) {
            $isOfTarget => BandForm::PercentOfTarget,
            $isWidths => BandForm::Increments,
            default => BandForm::Limits,
        };

        return ['bands' => NearWriter::bands($this->made($form, $numbers, $names, $text))];
    }

    /**
     * @param list<BigDecimal> $numbers
     * @param list<string> $names
     *
     * @throws NotAccepted
     */
    private function made(BandForm $form, array $numbers, array $names, string $text): Bands
    {
        $count = \count($numbers);
        $bands = max($count, \count($names));
        $isNamed = [] === $names || \count($names) === $count || \count($names) === $count + 1;
        if ([] === $numbers || !$isNamed || $bands < Bands::LEAST || $bands > Bands::MOST) {
            throw self::noBands($text);
        }
        try {
            return new Bands($form, $numbers, $names);
        } catch (BandsDoNotRise $fault) {
            throw new NotAccepted('text', $fault->getMessage());
        }
    }

    private static function noBands(string $text): NotAccepted
    {
        return new NotAccepted(
            'text',
            "\"$text\" are no bands. Write two to five limits such as 60, 75, 90, with names such as ".
                'poor 60, fair 75, good 90, widths such as +60 +15 +15, or 90, 100 % of target.',
        );
    }

    /** `90`, `1,200.5`, `250k`, `85 %` */
    private static function maybeNumber(string $text): ?BigDecimal
    {
        $text = str_replace([',', ' ', '−'], ['', '', '-'], mb_strtolower(rtrim($text, ' %')));
        if (1 !== preg_match('/^(-?\d{1,15}(?:\.\d{1,10})?)(k|m|bn)?$/D', $text, $match)) {
            return null;
        }

        return BigDecimal::of($match[1])
            ->withPointMovedRight(self::ZEROS[$match[2] ?? ''] ?? 0)
            ->strippedOfTrailingZeros();
    }
}
