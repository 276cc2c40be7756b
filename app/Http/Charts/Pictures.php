<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Charts;

use KeenMargin\App\Export\Picture\PdfRenderer;
use KeenMargin\App\Export\Picture\PictureNotDrawn;
use KeenMargin\App\Export\Picture\PngRenderer;
use KeenMargin\Core\Render\SvgRenderer;
use KeenMargin\Core\Scene\Scene;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Exception\BadRequestHttpException;
use Symfony\Component\HttpKernel\Exception\ServiceUnavailableHttpException;
use Symfony\Component\HttpKernel\Exception\UnprocessableEntityHttpException;

/** Scenes as files: SVG, PNG with one to three pixels a point (`?scale=2`), PDF. */
final readonly class Pictures
{
    /** Slides and pages elsewhere may show it; whoever does asks each time whether it has changed. */
    public const LINKED = [
        'Cache-Control' => 'max-age=0, must-revalidate',
        'Cross-Origin-Resource-Policy' => 'cross-origin',
    ];

    public function __construct(private SvgRenderer $svg, private PngRenderer $png, private PdfRenderer $pdf) {}

    /** @param array<string, string> $headers */
    public function answer(Scene $scene, string $format, Request $request, array $headers = []): Response
    {
        [$bytes, $type] = match ($format) {
            'png' => [$this->png($scene, self::scale($request)), 'image/png'],
            'pdf' => [$this->pdf->render($scene), 'application/pdf'],
            default => [$this->svg->render($scene), 'image/svg+xml'],
        };

        return new Response($bytes, 200, ['Content-Type' => $type] + $headers);
    }

    private function png(Scene $scene, int $scale): string
    {
        try {
            return $this->png->scaled($scale)->render($scene);
        } catch (PictureNotDrawn $e) {
            throw $e->isTooLarge
                ? new UnprocessableEntityHttpException($e->getMessage(), $e)
                : new ServiceUnavailableHttpException(null, $e->getMessage(), $e);
        }
    }

    private static function scale(Request $request): int
    {
        $scale = $request->query->get('scale', '1');

        return \in_array($scale, ['1', '2', '3'], true)
            ? (int) $scale
            : throw new BadRequestHttpException('scale: give 1, 2 or 3.');
    }
}
