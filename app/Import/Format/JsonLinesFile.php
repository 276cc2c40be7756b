<?php

declare(strict_types=1);

namespace KeenMargin\App\Import\Format;

use KeenMargin\Core\Figures\Reading\Table\RowSource;
use KeenMargin\Core\Figures\Reading\Text\Limits;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;

/** One JSON object a line; its keys are the columns. Numbers keep every digit. */
final readonly class JsonLinesFile implements FileFormat
{
    private function __construct(private string $path) {}

    public static function maybe(string $path, string $head): ?self
    {
        $head = ltrim(str_starts_with($head, "\xEF\xBB\xBF") ? substr($head, 3) : $head);
        if (str_starts_with($head, '[{') || 1 === preg_match('/^\[\s*\{/', $head)) {
            throw RefusedFigures::whole(
                'This is one JSON list. Give one object a line, without the brackets around them.',
            );
        }
        if (1 !== preg_match('/^\{\s*"/', $head)) {
            return null;
        }
        if ((int) filesize($path) > Limits::BYTES) {
            throw RefusedFigures::whole(\sprintf(
                'The file has %.1f MB; up to %d MB can be read. Split it, or leave out what is not needed.',
                filesize($path) / 1e6,
                Limits::BYTES / 1_000_000,
            ));
        }

        return new self($path);
    }

    public function sheets(): array
    {
        return [''];
    }

    public function rows(string $sheet): RowSource
    {
        return new JsonRows($this->path);
    }
}
