<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use KeenMargin\App\Http\Contract\Operation;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;

/** The description of the API, as OpenAPI. */
final readonly class DocsController
{
    public function __construct(private string $file) {}

    #[Route('/api/docs', methods: 'GET')]
    #[Operation('This document', media: ['application/vnd.oai.openapi+json;version=3.1'])]
    public function __invoke(): Response
    {
        return new Response((string) file_get_contents($this->file), 200, [
            'Content-Type' => 'application/vnd.oai.openapi+json;version=3.1',
        ]);
    }
}
