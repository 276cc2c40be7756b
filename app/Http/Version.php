<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Symfony\Component\HttpFoundation\JsonResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\PreconditionRequiredHttpException;

/** Writes bear the version that they are based on, so that nobody's change is lost. */
final class Version
{
    /**
     * None where the request is based on the current version; else the answer that says so, with the current state.
     *
     * @param array<string, mixed> $state
     */
    public static function maybeStale(Request $request, int $version, array $state): ?JsonResponse
    {
        $match = $request->headers->get('If-Match') ?? throw new PreconditionRequiredHttpException('Send the version that the change is based on in If-Match.');
        if (trim($match, '" W/') === (string) $version) {
            return null;
        }

        return self::stale($state);
    }

    /** @param array<string, mixed> $state */
    public static function stale(array $state): JsonResponse
    {
        return new JsonResponse(['type' => 'about:blank', 'title' => 'It was changed meanwhile', 'status' => 412, 'detail' => 'Somebody changed this after you loaded it. Look at their change, then put yours on top.', 'current' => $state], 412, ['Content-Type' => 'application/problem+json']);
    }

    /** @param array<string, mixed> $state */
    public static function answer(array $state, int $version, int $status = 200): JsonResponse
    {
        return new JsonResponse($state, $status, ['ETag' => "\"$version\""]);
    }
}
