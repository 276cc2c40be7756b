<?php

declare(strict_types=1);

namespace KeenMargin\App\Security;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\ResponseEvent;

/** Headers that keep a page to its own scripts, and other pages from framing or reading it. */
#[AsEventListener]
final class SafeHeaders
{
    private const POLICY = "default-src 'none'; script-src 'self'; style-src 'self'; img-src 'self' blob: data:; "
        ."font-src 'self' data:; connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'";
    /** A picture is a document of its own when it is opened: it may use its own fonts and style, and nothing else. */
    private const PICTURE_POLICY = "default-src 'none'; style-src 'unsafe-inline'; font-src data:; frame-ancestors "
        ."'none'";

    public function __invoke(ResponseEvent $event): void
    {
        $headers = $event->getResponse()->headers;
        $isPicture = str_starts_with((string) $headers->get('Content-Type'), 'image/svg');
        $headers->set('Content-Security-Policy', $isPicture ? self::PICTURE_POLICY : self::POLICY);
        $headers->set('X-Content-Type-Options', 'nosniff');
        $headers->set('X-Frame-Options', 'DENY');
        $headers->set('Referrer-Policy', 'no-referrer');
        $headers->set('Cross-Origin-Opener-Policy', 'same-origin');
        $headers->has('Cross-Origin-Resource-Policy') || $headers->set('Cross-Origin-Resource-Policy', 'same-origin');
        $headers->set('Permissions-Policy', 'camera=(), microphone=(), geolocation=()');
        $headers->remove('X-Powered-By');
        if (!$headers->hasCacheControlDirective('max-age')) {
            $headers->set('Cache-Control', 'no-store');
        }
    }
}
