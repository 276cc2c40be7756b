<?php

declare(strict_types=1);

namespace KeenMargin\Core\Document\Shape;

/**
 * What a document says under the name of a constructor's parameter. Name, type and default are the parameter's own; a
 * parameter without a default is a key that must be there.
 *
 * `#[Key('as many as the unit asks for', least: 0, most: 6)] public ?int $decimals = null`
 */
#[\Attribute(\Attribute::TARGET_PARAMETER)]
final readonly class Key
{
    /**
     * @param string $says one line for the reader of the format, in Markdown
     * @param ?string $leftOut what holds where the key is left out, in Markdown; null: the parameter's default
     * @param int $least of a whole number
     * @param int $most of a whole number; of a text, its letters
     * @param list<string> $oneOf the texts that are accepted; none: any, or the cases of the enum
     * @param ?class-string $items of a list
     * @param NumberForm $number which decimals are accepted
     * @param bool $ofKinds whether only those kinds have a use for it that list it among their options
     * @param bool $isWords whether it belongs to one chart (its words, its rows), so that no named finish brings it
     */
    public function __construct(
        public string $says,
        public ?string $leftOut = null,
        public int $least = 0,
        public int $most = 200,
        public array $oneOf = [],
        public ?string $items = null,
        public NumberForm $number = NumberForm::Any,
        public bool $ofKinds = false,
        public bool $isWords = false,
    ) {}
}
