<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Typed;

use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use KeenMargin\Core\Figures\Breakdown;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Reading\Text\ScenarioWords;
use KeenMargin\Core\Question\Document\NearWriter;

/** Goals, paces and layers as people type them: `2m`, `the total`, `time elapsed`, `budget to date`, `by source`. */
final readonly class TypedGoal
{
    public function __construct(private Dataset $dataset) {}

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    public function goal(string $text): array
    {
        $plain = TypedNames::plain($text);
        if (\in_array($plain, ['its goal', 'the usual', 'nothing', 'none'], true)) {
            return ['goal' => null];
        }
        if (\in_array($plain, ['total', 'the total', 'share of total'], true)) {
            return ['goal' => 'total'];
        }

        return ['goal' => NearWriter::target((new TypedNear($this->dataset))->aim(trim($text, ' .')))];
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    public static function pace(string $text): array
    {
        $plain = (string) preg_replace('/^against |^the | to date$/', '', TypedNames::plain($text));
        $scenario = ScenarioWords::maybe($plain);

        return [
            'pace' => match (true) {
                \in_array($plain, ['elapsed', 'time elapsed', 'time', 'elapsed time'], true) => 'elapsed',
                \in_array($plain, ['no pace', 'none', 'nothing', 'no'], true) => 'none',
                'usual pace' === $plain || 'usual' === $plain => null,
                null !== $scenario => $scenario->value,
                default => throw new NotAccepted(
                    'text', "\"$text\" is no pace. Write time elapsed, budget to date, or no pace.",
                ),
            },
        ];
    }

    /**
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    public function layers(string $text): array
    {
        if (\in_array(TypedNames::plain($text), ['as a whole', 'whole', 'none', 'nothing'], true)) {
            return ['layers' => null];
        }
        $names = array_map(static fn (Breakdown $one): string => $one->name, $this->dataset->breakdowns);
        $name = TypedNames::maybeOne((string) preg_replace('/^by /i', '', trim($text)), $names);

        return [
            'layers' => $name ??
                throw new NotAccepted(
                    'text',
                    "There is no breakdown \"$text\"; there ".
                        ([] === $names ? 'is none.' : 'are '.Wording::some($names, 8).'.'),
                ),
        ];
    }
}
