<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\Core\Document\PlainText;
use Symfony\Component\HttpFoundation\Request;

/** Who signs a change, as the page says it; a courtesy among colleagues until there are accounts. */
final class Signature
{
    /** Controls, marks of direction, brackets: what could pass for something else than a name. */
    private const NO_NAME =
        '/\[U\+[0-9A-F]{4}\]|[\x{0}-\x{1F}\x{7F}-\x{9F}\x{61C}\x{200B}-\x{200F}\x{2028}-\x{202E}'
        .'\x{2060}-\x{206F}\x{FEFF}<>\[\]{}]/u';

    public static function of(Request $request): string
    {
        $name = rawurldecode((string) $request->headers->get('X-Signed', ''));
        $clean = (string) preg_replace(self::NO_NAME, ' ', PlainText::of(mb_scrub($name)));

        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', $clean)), 0, 80);
    }
}
