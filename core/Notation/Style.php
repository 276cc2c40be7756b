<?php

declare(strict_types=1);

namespace KeenMargin\Core\Notation;

use KeenMargin\Core\Figures\Scenario;
use KeenMargin\Core\Number\NumberFormat;
use KeenMargin\Core\Workings\Arithmetic\Effect;

/** How scenarios and effects look. */
final readonly class Style
{
    private function __construct(public Ink $fill, public ?Ink $stroke) {}

    public static function scenario(Scenario $scenario): self
    {
        return match ($scenario) {
            Scenario::Actual => new self(Ink::Ink, null),
            Scenario::PriorYear => new self(Ink::PriorYear, null),
            Scenario::Budget, Scenario::Target => new self(Ink::Panel, Ink::Ink),
            Scenario::Forecast => new self(Ink::HatchInk, Ink::Ink),
        };
    }

    /** A variance bar or pin: hatched where the shown figure is a forecast. */
    public static function variance(Effect $effect, ?Scenario $shown): self
    {
        $isForecast = Scenario::Forecast === $shown;

        return match ($effect) {
            Effect::Favourable => $isForecast
                ? new self(Ink::HatchFavourable, Ink::Favourable)
                : new self(Ink::Favourable, null),
            Effect::Unfavourable => $isForecast
                ? new self(Ink::HatchUnfavourable, Ink::Unfavourable)
                : new self(Ink::Unfavourable, null),
            Effect::Neutral => new self(Ink::Quiet, null),
        };
    }

    /** A value that misses its target: paler than one that reaches it. */
    public static function missed(Scenario $scenario): self
    {
        return match ($scenario) {
            Scenario::Actual => new self(Ink::Missed, null),
            Scenario::Forecast => new self(Ink::HatchMissed, Ink::Missed),
            default => self::scenario($scenario),
        };
    }

    /** A step whose colour tells its sign: hatched where it is a forecast. */
    public static function step(int $sign, ?Scenario $shown): self
    {
        $isForecast = Scenario::Forecast === $shown;

        return match (true) {
            $sign < 0 => $isForecast ? new self(Ink::HatchFall, Ink::Fall) : new self(Ink::Fall, null),
            default => $isForecast ? new self(Ink::HatchRise, Ink::Rise) : new self(Ink::Rise, null),
        };
    }

    /** What stays of a step that is opened. */
    public static function outline(): self
    {
        return new self(Ink::Panel, Ink::PriorYear);
    }

    /** A mark of one ink that is no amount. */
    public static function mark(Ink $ink): self
    {
        return new self($ink, null);
    }

    /** Of a written variance: what is written as nought is neither good nor bad. */
    public static function written(string $number, Effect $effect): Ink
    {
        return self::text(NumberFormat::isNought($number) ? Effect::Neutral : $effect);
    }

    private static function text(Effect $effect): Ink
    {
        return match ($effect) {
            Effect::Favourable => Ink::FavourableText,
            Effect::Unfavourable => Ink::UnfavourableText,
            Effect::Neutral => Ink::Quiet,
        };
    }
}
