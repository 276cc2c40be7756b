<?php

declare(strict_types=1);

namespace KeenMargin\App\Sources\Reach;

use Symfony\Component\DependencyInjection\Attribute\Autowire;

/** Folders that the administrator has allowed, with all that is in them. Links that lead out are not followed. */
final readonly class AllowedFolders
{
    /** @var list<string> real paths */
    private array $folders;

    /** @param string $listed absolute paths with colons between them */
    public function __construct(#[Autowire('%env(KEEN_FOLDERS)%')] string $listed = '')
    {
        $this->folders = array_values(array_filter(array_map(
            static fn (string $folder): string => '' === $folder ? '' : (string) realpath($folder),
            explode(':', $listed),
        )));
    }

    /** @return list<string> */
    public function all(): array
    {
        return $this->folders;
    }

    /**
     * @return string the real path
     *
     * @throws NotAllowed also where there is no such file: whoever asks is not told what else is on the machine
     */
    public function insist(string $path): string
    {
        $real = realpath($path);
        foreach (false === $real ? [] : $this->folders as $folder) {
            if ($real === $folder || str_starts_with((string) $real, rtrim($folder, '/').'/')) {
                return (string) $real;
            }
        }
        throw NotAllowed::folder($path);
    }
}
