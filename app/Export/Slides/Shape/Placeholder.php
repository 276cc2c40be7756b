<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Shape;

/** Which placeholder of its layout a shape fills. */
final readonly class Placeholder
{
    /**
     * @param 'title'|'body' $type
     * @param ?int $index by which the layout knows it; null: there is one of its type
     */
    public function __construct(public string $type, public ?int $index = null) {}

    public function xml(): string
    {
        return '<p:ph type="'.$this->type.'"'.(null === $this->index ? '' : " idx=\"$this->index\"").'/>';
    }
}
