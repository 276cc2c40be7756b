<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\PreconditionRequiredHttpException;

/** Reads and checks `If-Match`: a write bears the version that it is based on, so that nobody's change is lost. */
final class Version
{
    /**
     * @param callable(): (array<string, mixed>|object) $state asked only where the request is based on another version
     *
     * @throws StaleVersion
     */
    public static function insist(Request $request, int $version, callable $state): void
    {
        $match =
            $request->headers->get('If-Match') ??
            throw new PreconditionRequiredHttpException('Send the version that the change is based on in If-Match.');
        if (trim($match, '" W/') !== (string) $version) {
            throw new StaleVersion($state());
        }
    }

    /** The version that a request is based on, where older ones are brought together with what was changed since. */
    public static function told(Request $request): int
    {
        $match = trim($request->headers->get('If-Match') ?? '', '" W/');
        if (1 !== preg_match('/^\d{1,18}$/D', $match)) {
            throw new PreconditionRequiredHttpException('Send the version that the change is based on in If-Match.');
        }

        return (int) $match;
    }

    /**
     * The last change of a name that whoever sends it knew of: `names` of the state that the document was read with.
     *
     * @return ?int null: names are told as they are now
     *
     * @throws NotAccepted
     */
    public static function names(Given $body): ?int
    {
        return $body->maybe('names')?->int(0, Records::HIGHEST_ID);
    }

    /** @param array<string, mixed>|object $state */
    public static function answer(array|object $state, int $version, int $status = 200): JsonResponse
    {
        return new JsonResponse($state, $status, ['ETag' => "\"$version\""]);
    }
}
