<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract\Imports;

use OpenApi\Attributes as OA;

/** A first look at a file. */
#[OA\Schema]
final readonly class ReadingJson
{
    /**
     * @param list<string> $sheets
     * @param list<string> $notes
     * @param list<string> $columns
     * @param list<list<string>> $sample
     * @param list<int> $sampleRows
     * @param list<string> $doubts
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public string $suggestedName,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $sheets,
        #[OA\Property] public string $sheet,
        #[OA\Property(ref: '#/components/schemas/HeaderPlace')] public HeaderPlaceJson $header,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $notes,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $columns,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'array', items: new OA\Items(type: 'string')))]
        public array $sample,
        #[OA\Property(
            description: "of the sample's rows, as in the file", type: 'array', items: new OA\Items(type: 'integer'),
        )]
        public array $sampleRows,
        #[OA\Property(description: 'none where only the beginning was looked at', nullable: true)]
        public ?int $rowCount,
        #[OA\Property(nullable: true)] public ?int $rowsAbout,
        #[OA\Property(ref: '#/components/schemas/Mapping')] public MappingJson $mapping,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(enum: ['decimal', 'dates', 'year', 'scale', 'periods', 'bands', 'percents']),
        )]
        public array $doubts,
        #[OA\Property(
            description: 'the dataset that the figures would join',
            oneOf: [new OA\Schema(ref: '#/components/schemas/DatasetName'), new OA\Schema(type: 'null')],
        )]
        public ?DatasetNameJson $target,
        #[OA\Property(enum: ['add', 'replace periods', 'replace all'])] public string $mode,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/EarlierImport'), new OA\Schema(type: 'null')])]
        public ?EarlierImportJson $known,
        #[OA\Property(oneOf: [new OA\Schema(ref: '#/components/schemas/EarlierImport'), new OA\Schema(type: 'null')])]
        public ?EarlierImportJson $seen,
    ) {}
}
