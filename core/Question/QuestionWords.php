<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question;

use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Scenario;

/** The parts of a question's sentence that its kind words. */
final readonly class QuestionWords
{
    /**
     * @param list<SentencePart> $opening up to what is asked about: `How did`, `net revenue`
     * @param string $beforeMembers joins the members: ` of `
     * @param string $beforeSpan joins the span: ` in `; blank: the kind names spans of its own
     * @param list<SentencePart> $against what the shown amounts are compared with
     * @param ?string $taken a breakdown that these words name already; null: none
     */
    public function __construct(
        public array $opening,
        public string $beforeMembers,
        public string $beforeSpan,
        public array $against,
        public ?string $taken = null,
    ) {}

    /** `How did net revenue of … in … compare with budget` */
    public static function comparison(Question $question, Measure $measure): self
    {
        $text = Wording::and(
            array_map(static fn (Scenario $scenario): string => $scenario->word(), $question->against),
        );

        return new self(self::howDid($measure), ' of ', ' in ', [
            new SentencePart('' === $text ? ' go, against ' : ' compare with '),
            new SentencePart('' === $text ? 'nothing yet' : $text, 'against'),
        ]);
    }

    /** @return list<SentencePart> `How did net revenue` */
    public static function howDid(Measure $measure): array
    {
        return [new SentencePart('How did '), new SentencePart(Wording::withinSentence($measure->name), 'measure')];
    }
}
