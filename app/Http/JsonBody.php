<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\Core\Document\Given;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpKernel\Exception\UnsupportedMediaTypeHttpException;

final class JsonBody
{
    public static function of(Request $request): Given
    {
        if ('json' !== $request->getContentTypeFormat()) {
            throw new UnsupportedMediaTypeHttpException('Send the body as application/json.');
        }

        return Given::json($request->getContent());
    }
}
