<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Document;

use KeenMargin\Core\Document\SearchText;
use KeenMargin\Core\Question\Typed\TypedNames;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class SearchTextTest extends TestCase
{
    #[TestWith(['North', 'north'])]
    #[TestWith(['ÖRESUND', 'oresund'])]
    #[TestWith(["O\u{308}resund", 'oresund'])]
    #[TestWith(['Straße', 'strasse'])]
    #[TestWith(['Øst, Ærø, Łódź', 'ost, aero, lodz'])]
    #[TestWith(['日本 50 %', '日本 50 %'])]
    #[TestWith(["\xff", "\xff"])]
    public function testTextIsSoughtWithoutCaseAndMarks(string $text, string $folded): void
    {
        self::assertSame($folded, SearchText::folded($text));
    }

    public function testATypedNameIsFoundWithoutMarksUnlessAnotherIsMeant(): void
    {
        self::assertSame('Öresund', TypedNames::maybeOne('oresund', ['North', 'Öresund']));
        self::assertSame('Ore', TypedNames::maybeOne('ore', ['Öre', 'Ore']));
        self::assertSame('Öre', TypedNames::maybeOne('öre', ['Öre', 'Ore']));
    }
}
