<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Symfony\Component\HttpFoundation\Request;

/** Who signs a change, as the page says it; a courtesy among colleagues until there are accounts. */
final class Signature
{
    public static function of(Request $request): string
    {
        $name = rawurldecode((string) $request->headers->get('X-Signed', ''));
        $clean = (string) preg_replace('/[\x00-\x1F\x7F]+/', ' ', mb_scrub($name));

        return mb_substr(trim($clean), 0, 80);
    }
}
