<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

/** Names of files as people gave them, and as they can be shown and used again. */
final class FileName
{
    /** The last part of the name, without what could be a path or steer a terminal. */
    public static function safe(string $name): string
    {
        $name =
            preg_replace(
                '/[\x00-\x1F\x7F\x{202A}-\x{202E}\x{2066}-\x{2069}]/u', '', basename(strtr($name, '\\', '/')),
            ) ?? '';

        return '' === trim($name) ? 'Figures' : mb_substr($name, 0, 200);
    }

    /** Months, quarters, weeks and days that a monthly file bears in its name. */
    private const PERIODS = [
        '/(?<!\d)(?:19|20|21)\d{2}[-_. ]?(?:0[1-9]|1[0-2])(?:[-_. ]?(?:0[1-9]|[12]\d|3[01]))?(?!\d)/',
        '/(?<!\d)(?:0[1-9]|1[0-2])[-_. ](?:19|20|21)\d{2}(?!\d)/',
        '/(?<![\pL\d])(?:19|20|21)\d{2}[-_. ]?(?:[QH][1-4]|W\d{1,2})(?![\pL\d])/iu',
        '/(?<![\pL\d])(?:[QH][1-4]|W\d{1,2})[-_. ]?(?:19|20|21)\d{2}(?!\d)/iu',
        '/(?<!\pL)(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may'
            .'|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)'
            .'[-_. ]?(?:(?:19|20|21)\d{2}|\d{2})(?!\d)/iu',
    ];

    /**
     * What a dataset made of the file is called: `ledger-2026-08` is `Ledger`, `net-revenue_2026` is `Net revenue
     * 2026`.
     */
    public static function asTitle(string $plain): string
    {
        $without = trim((string) preg_replace(self::PERIODS, ' ', $plain), " \t-_.,()[]");
        $plain = 1 === preg_match('/\pL/u', $without) ? $without : $plain;
        $words = trim((string) preg_replace('/[\s_-]+/', ' ', $plain));

        return mb_strtoupper(mb_substr($words, 0, 1)).mb_substr($words, 1);
    }

    /**
     * @return array{string, string} a title as the name of a file to be saved, and the same in plain letters for
     *                               programs that need those
     */
    public static function ofTitle(string $title, string $ending): array
    {
        $name = trim((string) preg_replace('/[^\pL\pN]+/u', '-', $title), '-');
        $name = mb_strtolower(mb_substr($name, 0, 80));
        $plain = trim((string) preg_replace('/[^a-z0-9]+/', '-', $name), '-');

        return [('' === $name ? 'figures' : $name).".$ending", ('' === $plain ? 'figures' : $plain).".$ending"];
    }
}
