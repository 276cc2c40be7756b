<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Kind;

use KeenMargin\App\Sources\FetchFailed;
use KeenMargin\App\Sources\Reach\AllowedFolders;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Figures\Reading\Text\Limits;

/** A folder that others put files into: the newest that matches is read, each once, and none is moved or changed. */
final readonly class FolderKind implements SourceKind
{
    /** Seconds that a file must not have changed for: somebody may still be writing it. */
    public const SETTLED_AFTER = 10;
    /** Files that are remembered as read. */
    private const MOST_REMEMBERED = 500;
    private const MOST_LISTED = 20_000;

    public function __construct(private AllowedFolders $folders) {}

    public function id(): string
    {
        return 'folder';
    }

    public function settings(Given $given): array
    {
        $given->object(['folder', 'pattern']);
        $pattern = $given->must('pattern')->string(200);
        if (str_contains($pattern, '/')) {
            throw new NotAccepted('pattern', 'Give a name of files without a folder, such as ledger-*.csv.');
        }
        $folder = $given->must('folder')->string(1000);
        $this->folders->insist($folder);

        return ['folder' => $folder, 'pattern' => $pattern];
    }

    public function place(array $settings): string
    {
        ['folder' => $folder, 'pattern' => $pattern] = $settings + ['folder' => '', 'pattern' => ''];

        return \is_string($folder) && \is_string($pattern) ? rtrim($folder, '/')."/$pattern" : '';
    }

    public function fetch(FetchRequest $request): ?Fetched
    {
        ['folder' => $folder, 'pattern' => $pattern] = $this->settings($request->given());
        \assert(\is_string($folder) && \is_string($pattern));
        $read = \is_array($request->remembered['read'] ?? null) ? $request->remembered['read'] : [];
        $placed = strtr($pattern, $request->due->placeholders());
        [$name, $state] = $this->newest($this->folders->insist($folder), $placed);
        if (null === $name || \in_array($state, $read, true)) {
            return null;
        }
        $path = $this->folders->insist("$folder/$name");
        if (time() - (int) filemtime($path) < self::SETTLED_AFTER) {
            throw new FetchFailed("$name is still being written. It is taken once it has not changed for a while.");
        }
        if ((int) filesize($path) > Limits::BYTES) {
            throw new FetchFailed("$name is larger than can be read.");
        }
        $copy = "$request->folder/fetched";
        if (!@copy($path, $copy)) {
            throw new FetchFailed("$name cannot be read: its owner does not let us.");
        }
        clearstatcache();
        if (self::state($path, $name) !== $state) {
            throw new FetchFailed(
                "$name was changed while it was read. It is taken once it has not changed for a while.",
            );
        }

        return new Fetched(
            path: $copy,
            name: $name,
            scope: $name,
            remember: ['read' => \array_slice([...$read, $state], -self::MOST_REMEMBERED)],
        );
    }

    /** @return array{?string, string} name of the file that was changed last, and the state that it is in */
    private function newest(string $folder, string $pattern): array
    {
        $entries = @scandir($folder);
        if (false === $entries) {
            throw new FetchFailed("The folder $folder cannot be read.");
        }
        [$newest, $at] = [null, 0];
        foreach (\array_slice($entries, 0, self::MOST_LISTED) as $name) {
            $isHelper = 1 === preg_match('/^[.~]|\.(?:part|tmp|crdownload|filepart)$/i', $name);
            if ($isHelper || !fnmatch($pattern, $name, \FNM_CASEFOLD) || !is_file("$folder/$name")) {
                continue;
            }
            $changed = (int) filemtime("$folder/$name");
            if (null === $newest || $changed > $at || ($changed === $at && strnatcmp($name, $newest) > 0)) {
                [$newest, $at] = [$name, $changed];
            }
        }

        return [$newest, null === $newest ? '' : self::state("$folder/$newest", $newest)];
    }

    private static function state(string $path, string $name): string
    {
        return hash('xxh128', $name."\n".filesize($path)."\n".filemtime($path));
    }
}
