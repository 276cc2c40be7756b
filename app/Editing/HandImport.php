<?php

declare(strict_types=1);

namespace KeenMargin\App\Editing;

use Doctrine\ORM\EntityManagerInterface;
use KeenMargin\App\Storage\DatasetRecord;
use KeenMargin\App\Storage\ImportRecord;

/** The import that changes by hand belong to: one for a person's day of work, until something else comes in. */
final readonly class HandImport
{
    public const MODE = 'by hand';

    public function __construct(private EntityManagerInterface $manager)
    {
    }

    public function of(DatasetRecord $record, string $who): ImportRecord
    {
        $latest = $this->manager->getRepository(ImportRecord::class)->findOneBy(['dataset' => $record], ['id' => 'DESC']);
        if (null !== $latest && self::MODE === $latest->mode && null === $latest->takenBackAt && $latest->who === $who && $latest->at->format('Y-m-d') === date('Y-m-d')) {
            return $latest;
        }
        $import = new ImportRecord($record, 'By hand', '', 0, 0, [], self::MODE);
        $import->who = $who;
        $import->counts = ['added' => 0, 'replaced' => 0, 'unchanged' => 0, 'removed' => 0];
        $this->manager->persist($import);
        $this->manager->flush();

        return $import;
    }
}
