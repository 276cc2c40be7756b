<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Table;

/** One JSON object a line; the first row tells the keys. Amounts are texts, so that no reader rounds them. */
final class JsonLinesWriter implements TableWriter
{
    /** @var list<string> */
    private array $keys = [];

    private function __construct(private readonly TextFileWriter $file) {}

    public static function to(string $path, string $sheet): self
    {
        return new self(new TextFileWriter($path));
    }

    public function row(array $cells): void
    {
        $texts = array_map(
            static fn (string|ExactCell $cell): string => $cell instanceof ExactCell ? $cell->digits : $cell,
            $cells,
        );
        if ([] === $this->keys) {
            $this->keys = $texts;

            return;
        }
        $this->file->write(
            json_encode(
                array_combine($this->keys, $texts),
                \JSON_THROW_ON_ERROR | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
            )."\n",
        );
    }

    public function close(): void
    {
        $this->file->close();
    }
}
