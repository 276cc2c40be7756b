<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Reports;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\Record\DatasetRecord;
use KeenMargin\App\Storage\Record\ImportRecord;

/** Which imports the figures of a dataset came from, as they are named now. */
final readonly class SourceImports
{
    public function __construct(private EntityManagerInterface $manager) {}

    /**
     * @return array{id: ?int, name: string, version: int, revision: int,
     *     imports: list<array{id: ?int, name: string, at: string, digest: string}>}
     */
    public function of(DatasetRecord $dataset): array
    {
        $imports = $this->manager
            ->getRepository(ImportRecord::class)
            ->findBy(['dataset' => $dataset, 'takenBackAt' => null], ['id' => 'ASC']);

        return [
            'id' => $dataset->id,
            'name' => $dataset->name,
            'version' => $dataset->version,
            'revision' => $dataset->revision,
            'imports' => array_map(
                static fn (ImportRecord $import): array => [
                    'id' => $import->id,
                    'name' => $import->name,
                    'at' => $import->at->format(\DateTimeInterface::ATOM),
                    'digest' => $import->digest,
                ],
                $imports,
            ),
        ];
    }
}
