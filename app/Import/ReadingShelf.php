<?php

declare(strict_types=1);

namespace KeenMargin\App\Import;

use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;

/** Files that were handed in and not yet confirmed. Each lies here until it is taken, dropped, or a day old. */
final readonly class ReadingShelf
{
    private const SECONDS = 86_400;

    public function __construct(private string $folder)
    {
    }

    public function put(string $name, string $bytes): string
    {
        if (!is_dir($this->folder) && !mkdir($this->folder, 0o700, true) && !is_dir($this->folder)) {
            throw new \RuntimeException('The folder for readings cannot be made.');
        }
        $this->clear();
        $id = bin2hex(random_bytes(12));
        file_put_contents($this->path($id), json_encode(['name' => $name], \JSON_THROW_ON_ERROR)."\n".$bytes);

        return $id;
    }

    /** @return array{string, string} name and bytes */
    public function get(string $id): array
    {
        $path = $this->path($id);
        if (!is_file($path)) {
            throw new NotFoundHttpException('This file is no longer here. Choose it again.');
        }
        [$head, $bytes] = explode("\n", (string) file_get_contents($path), 2);
        $told = json_decode($head, true);

        return [\is_array($told) && \is_string($told['name'] ?? null) ? $told['name'] : '', $bytes];
    }

    public function drop(string $id): void
    {
        @unlink($this->path($id));
    }

    private function path(string $id): string
    {
        return 1 === preg_match('/^[0-9a-f]{24}$/', $id) ? "$this->folder/$id" : throw new NotFoundHttpException('There is no such reading.');
    }

    private function clear(): void
    {
        foreach (glob($this->folder.'/*') ?: [] as $file) {
            if (filemtime($file) < time() - self::SECONDS) {
                @unlink($file);
            }
        }
    }
}
