<?php

declare(strict_types=1);

namespace KeenMargin\App\Http;

use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Symfony\Component\Routing\Attribute\Route;

/** The page itself, and its built files with a lasting cache: their names change with their contents. */
final readonly class PageController
{
    private const TYPES = [
        'js' => 'text/javascript',
        'css' => 'text/css',
        'woff2' => 'font/woff2',
        'svg' => 'image/svg+xml',
        'map' => 'application/json',
    ];

    public function __construct(private string $project) {}

    #[Route('/build/{file}', requirements: ['file' => '[\w.-]+(/[\w.-]+)*'], methods: 'GET')]
    public function built(string $file, Request $request): Response
    {
        $path = $this->project.'/public/build/'.$file;
        $type = self::TYPES[pathinfo($file, \PATHINFO_EXTENSION)] ?? null;
        if (null === $type || str_contains($file, '..') || !is_file($path)) {
            throw new NotFoundHttpException('There is no such file.');
        }
        // Scripts have packed copies beside them, made as small as they can be when they are built.
        $isPacked = \in_array('gzip', $request->getEncodings(), true) && is_file("$path.gz");
        $headers = [
            'Content-Type' => $type,
            'Vary' => 'Accept-Encoding',
            ...$isPacked ? ['Content-Encoding' => 'gzip'] : [],
        ];

        return (new BinaryFileResponse($isPacked ? "$path.gz" : $path, 200, $headers))->setCache([
            'public' => true,
            'max_age' => 31_536_000,
            'immutable' => true,
        ]);
    }

    #[Route('/{path}', requirements: ['path' => '(?!api(/|$)|build(/|$)).*'], methods: 'GET', priority: -10)]
    public function page(Request $request): Response
    {
        if (str_contains(basename($request->getPathInfo()), '.')) {
            throw new NotFoundHttpException('There is no such file.');
        }
        $manifest = json_decode((string) @file_get_contents($this->project.'/public/build/.vite/manifest.json'), true);
        $entry = \is_array($manifest) ? $manifest['frontend/main.ts'] ?? null : null;
        if (!\is_array($entry) || !\is_string($entry['file'] ?? null)) {
            throw new \RuntimeException('The page is not built; run npm run build.');
        }
        $styles = '';
        foreach (\is_array($entry['css'] ?? null) ? $entry['css'] : [] as $css) {
            $styles .= '<link rel="stylesheet" href="/build/'.htmlspecialchars(\is_string($css) ? $css : '').'">';
        }

        return new Response(
            '<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" '
                .'content="width=device-width, initial-scale=1"><title>Keen Margin</title>'.
                '<link rel="icon" href="/build/mark.svg" type="image/svg+xml">'.
                $styles.
                '<script type="module" src="/build/'.
                htmlspecialchars($entry['file']).
                '"></script></head>'.
                '<body><div id="app"></div><noscript>Keen Margin needs JavaScript.</noscript></body></html>',
        );
    }
}
