<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\App\Sources\FetchFailed;
use KeenMargin\App\Storage\Files\NotWritten;

/** Pages of an answer, put together into one file. */
final class PageFile
{
    /** Of one column name that a CSV begins with, at most. */
    private const HEADER_BYTES = 200_000;

    /** @var resource */
    private mixed $file;
    private ?string $header = null;
    private string $last = '';

    /** @throws NotWritten */
    public function __construct(public readonly string $path)
    {
        $file = @fopen($path, 'w+');
        $this->file = \is_resource($file) ? $file : throw NotWritten::at($path);
    }

    /**
     * Puts a page of a text file behind the others: of JSON lines as it is, of a table without its header.
     *
     * @return int rows of it
     *
     * @throws FetchFailed
     */
    public function addText(string $path, int $number): int
    {
        $page = @fopen($path, 'r');
        \is_resource($page) || throw NotWritten::at($path);
        $start = (string) fread($page, 4);
        if (str_starts_with($start, 'PK')) {
            throw new FetchFailed(
                'Workbooks cannot come in pages. Ask for CSV, JSON lines or JSON, or for one workbook.',
            );
        }
        rewind($page);
        $isJson = str_starts_with(ltrim($start, "\xEF\xBB\xBF \r\n\t"), '{');
        $header = $isJson ? null : rtrim((string) fgets($page, self::HEADER_BYTES), "\r\n");
        if (null !== $header && null !== $this->header && $header !== $this->header) {
            throw new FetchFailed('Page '.($number + 1).' has other columns than the first one.');
        }
        if (null !== $header && null === $this->header) {
            $this->put($header."\n");
            $this->header = $header;
        }
        $rows = 0;
        while (false !== ($line = fgets($page))) {
            $line = rtrim($line, "\r\n");
            if ('' !== $line) {
                $this->put($line."\n");
                ++$rows;
            }
        }
        fclose($page);

        return $rows;
    }

    /** @param list<string> $rows */
    public function addRows(array $rows): void
    {
        [] === $rows || $this->put(implode("\n", $rows)."\n");
    }

    /**
     * A page that comes again and again never ends.
     *
     * @throws FetchFailed
     */
    public function insistOnNew(string $page, int $number): void
    {
        $digest = (string) hash_file('xxh128', $page);
        if ($digest === $this->last) {
            throw new FetchFailed('Page '.($number + 1).' is the same as the one before it; there would be no end.');
        }
        $this->last = $digest;
    }

    public function bytes(): int
    {
        return (int) ftell($this->file);
    }

    public function close(): void
    {
        fclose($this->file);
    }

    private function put(string $bytes): void
    {
        if (@fwrite($this->file, $bytes) !== \strlen($bytes)) {
            throw NotWritten::at($this->path);
        }
    }
}
