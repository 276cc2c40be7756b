<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Wording;
use PHPUnit\Framework\TestCase;

final class GivenTest extends TestCase
{
    public function testKnowsThePathOfWhatIsWrong(): void
    {
        $given = Given::json('{"a":{"b":[1,{"c":"x"}]}}');
        $inner = $given->must('a')->must('b')->list()[1]->must('c');
        self::assertSame('a.b[1].c', $inner->path);
        try {
            $inner->int(1, 5);
            self::fail('A text was taken for a number.');
        } catch (NotAccepted $refused) {
            self::assertSame(
                ['a.b[1].c', '"x" is not accepted; give a whole number from 1 to 5.'],
                [$refused->path, $refused->reason],
            );
        }
    }

    public function testAbsentAndNullAreTheSame(): void
    {
        $given = Given::json('{"a":null}');
        self::assertNull($given->maybe('a'));
        self::assertNull($given->maybe('b'));
        $this->expectExceptionMessage('a: This key is missing.');
        $given->must('a');
    }

    public function testLongValuesAreCutInTheSentence(): void
    {
        $refusal = Given::json(json_encode(str_repeat('x', 500), \JSON_THROW_ON_ERROR))->refuse('something short');
        self::assertLessThan(110, mb_strlen($refusal->reason));
        self::assertStringContainsString('…', $refusal->reason);
    }

    public function testADocumentOfAMillionBytesOrDepthsIsRefused(): void
    {
        foreach (
            [
                str_repeat(' ', 1_000_001) => 'larger than 1 MB',
                str_repeat('[', 50).str_repeat(']', 50) => 'not JSON',
            ] as $json => $says
        ) {
            try {
                Given::json((string) $json);
                self::fail('It was read.');
            } catch (NotAccepted $refused) {
                self::assertStringContainsString($says, $refused->reason);
            }
        }
    }

    public function testNumbersInQuotesKeepTheirDigits(): void
    {
        self::assertSame('0.10', Given::json('"0.10"')->size()->toString());
        $this->expectException(NotAccepted::class);
        Given::json('0.1')->size();
    }

    public function testListsWithinSentences(): void
    {
        self::assertSame(
            ['', 'a', 'a and b', 'a, b and c'],
            [Wording::and([]), Wording::and(['a']), Wording::and(['a', 'b']), Wording::and(['a', 'b', 'c'])],
        );
        self::assertSame('a or b', Wording::either(['a', 'b']));
        self::assertSame('a, b and 3 more', Wording::some(['a', 'b', 'c', 'd', 'e'], 2));
        self::assertSame(
            ['1 row', '1,200 rows'], [Wording::count(1, 'row', 'rows'), Wording::count(1200, 'row', 'rows')],
        );
    }
}
