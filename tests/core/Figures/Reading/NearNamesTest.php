<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Reading;

use KeenMargin\Core\Figures\Reading\Table\HeaderSignature;
use KeenMargin\Core\Figures\Reading\Text\NearNames;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class NearNamesTest extends TestCase
{
    #[TestWith(['Norht', 'North'])]
    #[TestWith(['NORTH', 'North'])]
    #[TestWith(['North.', 'North'])]
    #[TestWith(['Nort', 'North'])]
    #[TestWith(['Norrth', 'North'])]
    #[TestWith(['Nerth', 'North'])]
    #[TestWith(['Skerry-Line', 'Skerry line'])]
    #[TestWith(['Überfart', 'Überfahrt'])]
    public function testASlipIsSeen(string $new, string $known): void
    {
        self::assertSame([$new => $known], NearNames::of([$new], ['Holm', $known]));
    }

    #[TestWith(['Route 1', 'Route 2'])]
    #[TestWith(['Customer 001', 'Customer 011'])]
    #[TestWith(['East', 'Outer'])]
    #[TestWith(['A1', 'B1'])]
    #[TestWith(['Car', 'Cat'])]
    #[TestWith(['', 'North'])]
    public function testAnotherNameIsAnotherName(string $new, string $known): void
    {
        self::assertSame([], NearNames::of([$new], [$known]));
    }

    public function testWithinOneListTheEarlierNameIsMeant(): void
    {
        self::assertSame(['north' => 'North'], NearNames::within(['North', 'Holm', 'north']));
    }

    public function testNextMonthsFileIsKnownByItsHeader(): void
    {
        $signature = static fn (string $csv): string => HeaderSignature::of(Written::sheet($csv));
        $july = $signature("Route,Jan 2026,Feb 2026\nNorth,1,2\n");
        self::assertSame($july, $signature("Route,Jan 2026,Feb 2026,Mar 2026\nNorth,1,2,3\n"));
        self::assertSame($july, $signature("A note\n\nRoute,Apr 2026\nNorth,1\n"));
        self::assertNotSame($july, $signature("Line,Jan 2026,Feb 2026\nNorth,1,2\n"));
        self::assertNotSame($signature("Month,Actual\n2026-01,1\n"), $signature("Month,Budget\n2026-01,1\n"));
    }
}
