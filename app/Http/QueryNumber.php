<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;

/** A whole number in the query of a request. */
final class QueryNumber
{
    /**
     * @return ?int null where it is left out
     *
     * @throws BadRequestHttpException where it is none, or below 1
     */
    public static function maybe(Request $request, string $name): ?int
    {
        $told = $request->query->all()[$name] ?? null;
        if (null === $told) {
            return null;
        }
        if (!\is_string($told) || 1 !== preg_match('/^[1-9]\d{0,8}$/D', $told)) {
            throw new BadRequestHttpException("$name: give a whole number from 1.");
        }

        return (int) $told;
    }
}
