<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Settling;

/** Something that has to be settled, and where. */
final readonly class ReportFinding
{
    /**
     * @param string $page id; blank: the whole report
     * @param string $block id; blank: the page itself, or its message
     * @param string $says a sentence
     * @param ?int $number which number of the text it is about; null: none
     * @param ?string $now the number as it would be written now; null: there is none
     * @param ?string $exact in the measure's own unit
     */
    public function __construct(
        public FindingKind $kind,
        public string $page,
        public string $block,
        public string $says,
        public ?int $number = null,
        public ?string $now = null,
        public ?string $exact = null,
    ) {}

    /** Another one as soon as something else is found at its place. */
    public function key(): string
    {
        $place = implode('/', array_filter([$this->kind->value, $this->page, $this->block]));

        return $place.'/'.substr(hash('sha256', $this->says), 0, 12);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'key' => $this->key(),
            'kind' => $this->kind->value,
            'page' => $this->page,
            'block' => $this->block,
            'says' => $this->says,
            'number' => $this->number,
            'now' => $this->now,
            'exact' => $this->exact,
        ];
    }
}
