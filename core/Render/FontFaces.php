<?php

declare(strict_types=1);

namespace KeenMargin\Core\Render;

/** The shipped font files, each with the letters that it holds; read only when a scene needs them. */
final class FontFaces
{
    /** @var array<string, string> base64 by file */
    private array $encoded = [];
    /** @var array<string, list<array{int, int}>> */
    private array $bounds = [];

    /**
     * @param list<array{family: string, weight: int, file: string, ranges: string}> $faces
     * @param \Closure(string): string                                               $read  gives the bytes of a file
     */
    public function __construct(private readonly array $faces, private readonly \Closure $read)
    {
    }

    /** The files of a folder that has a faces.json. */
    public static function folder(string $folder): self
    {
        /** @var list<array{family: string, weight: int, file: string, ranges: string}> $faces */
        $faces = json_decode((string) file_get_contents("$folder/faces.json"), true, 8, \JSON_THROW_ON_ERROR);

        return new self($faces, static fn (string $file): string => (string) file_get_contents("$folder/$file"));
    }

    /**
     * Style rules that carry the fonts for the letters used.
     *
     * @param array<int, array<int, true>> $letters code points by weight
     */
    public function css(string $family, array $letters): string
    {
        $css = '';
        foreach ($this->faces as $face) {
            if ($face['family'] === $family && $this->holdsAny($face['ranges'], $letters[$face['weight']] ?? [])) {
                $data = $this->encoded[$face['file']] ??= base64_encode(($this->read)($face['file']));
                $css .= "@font-face{font-family:'$family';font-weight:{$face['weight']};unicode-range:{$face['ranges']};src:url(data:font/woff2;base64,$data) format('woff2')}";
            }
        }

        return $css;
    }

    /** @param array<int, true> $letters */
    private function holdsAny(string $ranges, array $letters): bool
    {
        $bounds = $this->bounds[$ranges] ??= self::parsed($ranges);
        foreach ($letters as $code => $_) {
            foreach ($bounds as [$from, $to]) {
                if ($code >= $from && $code <= $to) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<array{int, int}> of `U+0020-007E,U+2212` */
    private static function parsed(string $ranges): array
    {
        return array_map(static function (string $range): array {
            $ends = explode('-', substr($range, 2));

            return [(int) hexdec($ends[0]), (int) hexdec($ends[1] ?? $ends[0])];
        }, explode(',', $ranges));
    }
}
