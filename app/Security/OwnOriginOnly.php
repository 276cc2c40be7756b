<?php

declare(strict_types=1);

namespace KeenMargin\App\Security;

use Symfony\Component\EventDispatcher\Attribute\AsEventListener;
use Symfony\Component\HttpKernel\Event\RequestEvent;
use Symfony\Component\HttpKernel\Exception\AccessDeniedHttpException;

/**
 * Refuses writes that a page of another origin had the browser send, and reading that costs much work: only charts are
 * there to be shown elsewhere. Programs, which send no origin, may write. A link that somebody follows is no request of
 * the page that it stands on.
 */
#[AsEventListener(priority: 200)]
final class OwnOriginOnly
{
    public function __invoke(RequestEvent $event): void
    {
        $request = $event->getRequest();
        $isElsewhere = \in_array($request->headers->get('Sec-Fetch-Site'), ['cross-site', 'same-site'], true);
        $isFollowed = 'navigate' === $request->headers->get('Sec-Fetch-Mode') && 'GET' === $request->getRealMethod();
        $costs = 1 === preg_match('#^/(?:api|reports)/#', $request->getPathInfo());
        if ($event->isMainRequest() && $isElsewhere && !$isFollowed && $costs) {
            throw new AccessDeniedHttpException(
                'This was asked by a page of another origin, which may show charts by their addresses, and nothing '.
                    'else. Open Keen Margin itself and look there.',
            );
        }
        // The method itself: a header that names another changes nothing.
        if (
            !$event->isMainRequest() || \in_array($request->getRealMethod(), ['GET', 'HEAD', 'OPTIONS', 'TRACE'], true)
        ) {
            return;
        }
        $origin = $request->headers->get('Origin');
        $site = $request->headers->get('Sec-Fetch-Site');
        if (
            (null !== $origin && $origin !== $request->getSchemeAndHttpHost())
            || (null !== $site && !\in_array($site, ['same-origin', 'none'], true))
        ) {
            throw new AccessDeniedHttpException(
                'This was sent from a page of another origin. Open Keen Margin itself and try there.',
            );
        }
    }
}
