<?php

declare(strict_types=1);

namespace KeenMargin\Core\Notation;

/** Families and sizes of type, in points. */
final class Type
{
    public const SANS = 'IBM Plex Sans';
    public const SERIF = 'IBM Plex Serif';
    /** Texts of this weight are set in the serif. */
    public const SERIF_WEIGHT = 500;
    public const MESSAGE = 15.0;
    public const TITLE = 12.5;
    public const LABEL = 11.0;
    public const SMALL = 10.5;
    /** The message of a report's page, its texts, and the heights of their lines. */
    public const PAGE_MESSAGE = 20.0;
    public const PAGE_MESSAGE_LINE = 26.0;
    public const PAGE_TEXT = 12.0;
    public const PAGE_TEXT_LINE = 17.0;
}
