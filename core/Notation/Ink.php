<?php

declare(strict_types=1);

namespace KeenMargin\Core\Notation;

/** The named inks of scenes and of the page: the one place for their values. */
enum Ink: string
{
    /** AC, text, axis */
    case Ink = 'ink';
    case PriorYear = 'prior-year';
    /** a value that misses its target */
    case Missed = 'missed';
    case Favourable = 'favourable';
    case FavourableText = 'favourable-text';
    case Unfavourable = 'unfavourable';
    case UnfavourableText = 'unfavourable-text';
    case Quiet = 'quiet';
    /** selection, notes and time marks; never an amount */
    case Accent = 'accent';
    case AccentTint = 'accent-tint';
    case Paper = 'paper';
    case Panel = 'panel';
    case Hairline = 'hairline';
    /** steps up and down that are neither good nor bad */
    case Rise = 'rise';
    case Fall = 'fall';
    /** bands, from the worst to the best; the first one only where there are five */
    case BandWorst = 'band-worst';
    case Band1 = 'band-1';
    case Band2 = 'band-2';
    case Band3 = 'band-3';
    case Band4 = 'band-4';
    /** FC */
    case HatchInk = 'hatch-ink';
    case HatchFavourable = 'hatch-favourable';
    case HatchUnfavourable = 'hatch-unfavourable';
    case HatchMissed = 'hatch-missed';
    case HatchPriorYear = 'hatch-prior-year';
    case HatchRise = 'hatch-rise';
    case HatchFall = 'hatch-fall';

    /** `#rrggbb`; of a hatch that of its lines */
    public function colour(): string
    {
        return match ($this) {
            self::Ink, self::HatchInk => '#23272E',
            self::PriorYear, self::HatchPriorYear => '#A9ADB2',
            self::Missed, self::HatchMissed => '#776C68',
            self::Favourable, self::HatchFavourable => '#1F9E8F',
            self::FavourableText => '#0B7A75',
            self::Unfavourable, self::UnfavourableText, self::HatchUnfavourable => '#B8370F',
            self::Rise, self::HatchRise => '#5D646F',
            self::Fall, self::HatchFall => '#B3B8C0',
            self::BandWorst => '#B3AC9E',
            self::Band1 => '#C6C0B4',
            self::Band2 => '#D6D1C7',
            self::Band3 => '#E4E0D8',
            self::Band4 => '#F0EDE7',
            self::Quiet => '#6B6F76',
            self::Accent => '#6A2C5B',
            self::AccentTint => '#F6EEF3',
            self::Paper => '#FBFAF7',
            self::Panel => '#FFFFFF',
            self::Hairline => '#E6E1D7',
        };
    }

    /** The same by lightness only, for grey print. */
    public function grey(): string
    {
        return match ($this) {
            self::Favourable, self::HatchFavourable => '#8B9096',
            self::FavourableText => '#585D64',
            self::Unfavourable, self::HatchUnfavourable => '#2E3238',
            self::UnfavourableText => '#23272E',
            self::Missed, self::HatchMissed => '#70747A',
            self::Accent => '#4A4E55',
            self::AccentTint => '#F1F1F2',
            self::Paper => '#FAFAFA',
            self::Hairline => '#E2E2E3',
            self::BandWorst => '#ADADAE',
            self::Band1 => '#C0C0C1',
            self::Band2 => '#D1D1D2',
            self::Band3 => '#E0E0E1',
            self::Band4 => '#EDEDEE',
            default => $this->colour(),
        };
    }

    /** @param string $colours of a scene: `effect`, `greys` */
    public function within(string $colours): string
    {
        return match ($colours) {
            'effect' => $this->colour(),
            'greys' => $this->grey(),
            default => throw new \InvalidArgumentException(
                "There are no colours \"$colours\"; there are effect and greys.",
            ),
        };
    }

    public function isHatch(): bool
    {
        return str_starts_with($this->value, 'hatch-');
    }

    /** Insists on a name; an unknown one names those that are known. */
    public static function of(string $name): self
    {
        return self::tryFrom($name) ??
            throw new \InvalidArgumentException(
                "There is no ink \"$name\"; there are ".implode(', ', array_column(self::cases(), 'value')).'.',
            );
    }
}
