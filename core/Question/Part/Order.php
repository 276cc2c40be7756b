<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Part;

/** In which order rows stand. Groups keep what stands in them. */
enum Order: string
{
    case Calendar = 'calendar';
    case Given = 'given';
    case LargestFirst = 'largest first';
    case SmallestFirst = 'smallest first';
    case FavourableFirst = 'favourable first';
}
