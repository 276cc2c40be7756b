<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Finish;

use KeenMargin\Core\Document\Shape\Key;

/** The sentence above a chart, and which of its numbers were taken from the workings. */
final readonly class Message
{
    /** @param list<MessageNumber> $numbers */
    public function __construct(
        #[Key('the sentence', most: 600)] public string $text,
        #[Key('those of its numbers that were taken from the workings', items: MessageNumber::class)]
        public array $numbers = [],
    ) {}

    /** @return list<MessageNumber> those that the text still has */
    public function kept(): array
    {
        return array_values(array_filter(
            $this->numbers,
            fn (MessageNumber $number): bool => 1 ===
                preg_match('/(?<![\d.,])'.preg_quote($number->said, '/').'(?![\d]|[.,]\d)/u', $this->text),
        ));
    }
}
