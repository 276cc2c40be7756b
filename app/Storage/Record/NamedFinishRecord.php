<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Record;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/** Looks under a name, for any number of charts; one may be what new charts begin with. */
#[ORM\Entity]
#[ORM\Table(name: 'named_finish')]
class NamedFinishRecord
{
    #[ORM\Id, ORM\GeneratedValue, ORM\Column]
    public ?int $id = null;

    #[ORM\Version, ORM\Column(type: 'integer')]
    public int $version = 1;

    #[ORM\Column(options: ['default' => false])]
    public bool $isDefault = false;

    /** @param array<string, mixed> $finish */
    public function __construct(
        #[ORM\Column(length: 200, unique: true)] public string $name,
        #[ORM\Column(type: Types::JSON)] public array $finish,
    ) {}
}
