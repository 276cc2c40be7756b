<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Names;

/** What the names in a recipe become: numbers where it is kept, names where it is read, other names. */
interface NameMap
{
    public function measure(string $name): string;

    public function breakdown(string $name): string;

    /** A field that a filter is about: a breakdown, or a measure. */
    public function field(string $name): string;

    /**
     * @param ?string $breakdown as the same document has it; null: it is not known whether the name is one of a member
     * @param string $name may be blank
     */
    public function member(?string $breakdown, string $name): string;
}
