<?php

declare(strict_types=1);

namespace KeenMargin\App\Export\Slides\Package;

/** A file is not taken as a deck, or as a template of decks. Its message says why, and what would be right. */
final class DeckRefused extends \DomainException
{
    public static function isNone(): self
    {
        return new self('This is not a presentation, or it is cut off. Give a .pptx file.');
    }

    public static function isProtected(): self
    {
        return new self('This presentation is protected by a password. Save it without one, then give it again.');
    }

    public static function hasMacros(): self
    {
        return new self('This presentation bears macros (.pptm). Save it as .pptx, then give it again.');
    }

    public static function isTooLarge(string $what): self
    {
        return new self("This presentation has $what, more than can be taken.");
    }

    public static function refersOutside(string $part): self
    {
        return new self(
            "This presentation refers to files outside of it ($part). Break these links, or put what they show into ".
                'it, then give it again.',
        );
    }

    public static function isBroken(string $part): self
    {
        return new self(
            "The part $part of this presentation cannot be read. Open it and save it anew, then give it again.",
        );
    }

    public static function hasEntities(string $part): self
    {
        return new self("The part $part of this presentation declares entities, which no presentation needs.");
    }

    public static function hasNothingOfOurs(): self
    {
        return new self('Nothing in this deck came from here. Give one that was exported from this report.');
    }

    public static function isOfAnotherReport(): self
    {
        return new self('This deck was made from another report. Give one that was exported from this one.');
    }

    public static function lacksRoom(): self
    {
        return new self(
            'None of the layouts of this template has both a title and a body that is large enough for a chart. Put '.
                'both placeholders on one of them, then give it again.',
        );
    }

    /** @param list<string> $known */
    public static function hasNoLayout(string $name, array $known): self
    {
        $all = implode(', ', $known);

        return new self("The template has no layout \"$name\" with a title and a body; it has $all.");
    }

    /**
     * @param list<string> $roles
     * @param list<string> $colours
     */
    public static function hasNoColour(string $told, array $roles, array $colours): self
    {
        return new self(
            "$told is no colour of a role. Roles are ".
                implode(', ', $roles).
                '; colours of the theme are '.
                implode(', ', $colours).
                '.',
        );
    }
}
