<?php

declare(strict_types=1);

namespace KeenMargin\App\Http\Contract;

/**
 * Describes what a controller's method takes and answers, for docs/openapi.json.
 *
 * Shapes are written as `string`, `integer`, `integer 1..12`, `boolean`, `object`, `a|b|c` for one of some texts, `1`
 * for that text only, or the name of a class of this folder; with `[]` behind it, a list of it.
 */
#[\Attribute(\Attribute::TARGET_METHOD)]
final readonly class Operation
{
    /**
     * @param ?string $answer shape of the JSON answer; `page of X` for a list that is paged; null: no body
     * @param string|array<string, string> $body shape of the JSON body, or shapes by name; a name with `?` may be left
     *                                           out
     * @param array<string, string> $query shapes by name
     * @param list<string> $media types of an answer that is a file
     * @param bool $isVersioned whether If-Match is needed, and a stale one is answered by 412
     * @param bool $isSigned whether X-Signed tells who it was
     * @param bool $isLong whether it may be answered by 202 and a job
     * @param bool $isForeseen whether `?foresee=1` only tells what would follow
     * @param bool $takesFile whether a file may be handed in as multipart/form-data besides JSON
     */
    public function __construct(
        public string $summary,
        public ?string $answer = null,
        public int $status = 200,
        public string|array $body = [],
        public array $query = [],
        public array $media = [],
        public bool $isVersioned = false,
        public bool $isSigned = false,
        public bool $isLong = false,
        public bool $isForeseen = false,
        public bool $takesFile = false,
    ) {}
}
