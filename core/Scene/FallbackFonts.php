<?php

declare(strict_types=1);

namespace KeenMargin\Core\Scene;

/** Fonts for letters that the shipped type does not have: other scripts, symbols, emoji. */
final class FallbackFonts
{
    /** Files of assets/fonts/fallback, as tools/fallback-fonts.php makes them. */
    public const NAMES = [
        'NotoSansArabic', 'NotoSansHebrew', 'NotoSansThai', 'NotoSansDevanagari', 'NotoEmoji', 'DroidSansFallback',
        'NotoSansSymbols2',
    ];
    private const EMOJI = 4;
    private const PRIVATE_USE = 0xE000;

    /** @var list<array{int, int, int, int}>|null first code point, last, width, font */
    private static ?array $runs = null;
    /** @var array<int, string>|null letters of the private use area by the code points of emoji */
    private static ?array $emoji = null;

    /** @return ?int advance width in thousandths of the type size; none where no font has the letter */
    public static function maybeWidth(int $code): ?int
    {
        return self::maybeRun($code)[2] ?? null;
    }

    /** @return ?string one of NAMES; none where no font has the letter */
    public static function maybeName(string $letter): ?string
    {
        $run = self::maybeRun(mb_ord($letter));

        return null === $run ? null : self::NAMES[$run[3]];
    }

    /** The letter as a library writes it that knows code points of two bytes only. */
    public static function inTwoBytes(string $letter): string
    {
        if (mb_ord($letter) <= 0xFFFF) {
            return $letter;
        }
        if (null === self::$emoji) {
            self::$emoji = [];
            $next = self::PRIVATE_USE;
            foreach (self::runs() as [$first, $last, , $font]) {
                for ($code = max($first, 0x10000); self::EMOJI === $font && $code <= $last; ++$code) {
                    self::$emoji[$code] = mb_chr($next++);
                }
            }
        }

        return self::$emoji[mb_ord($letter)] ?? $letter;
    }

    /** @return array{int, int, int, int}|null */
    private static function maybeRun(int $code): ?array
    {
        $runs = self::runs();
        [$low, $high] = [0, \count($runs) - 1];
        while ($low <= $high) {
            $middle = intdiv($low + $high, 2);
            if ($code < $runs[$middle][0]) {
                $high = $middle - 1;
            } elseif ($code > $runs[$middle][1]) {
                $low = $middle + 1;
            } else {
                return $runs[$middle];
            }
        }

        return null;
    }

    /** @return list<array{int, int, int, int}> */
    private static function runs(): array
    {
        return self::$runs ??= require __DIR__.'/fallback-widths.php';
    }
}
