<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Files;

/** A copy of a file on its way to the kept files. */
final readonly class KeptCopy
{
    /**
     * @param string $name under which it will be kept
     * @param string $source of the copy, should it be needed anew
     */
    public function __construct(private string $folder, public string $name, private string $source) {}

    /** @throws NotWritten */
    public function make(): void
    {
        if (is_file("$this->folder/$this->name")) {
            return;
        }
        // A copy, never a link: the file may go on changing where it was.
        if (!@copy($this->source, $this->part()) || filesize($this->part()) !== filesize($this->source)) {
            $this->drop();
            throw NotWritten::at("$this->folder/$this->name", (int) filesize($this->source));
        }
    }

    /**
     * To be called within the write turn of its import: from then on it is referred to.
     *
     * @throws NotWritten
     */
    public function keep(): void
    {
        clearstatcache(true, "$this->folder/$this->name");
        if (is_file("$this->folder/$this->name")) {
            $this->drop();

            return;
        }
        is_file($this->part()) || $this->make();
        @rename($this->part(), "$this->folder/$this->name") || throw NotWritten::at("$this->folder/$this->name");
    }

    public function drop(): void
    {
        @unlink($this->part());
    }

    private function part(): string
    {
        return "$this->folder/$this->name.".getmypid().'.part';
    }
}
