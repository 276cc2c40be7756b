<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Workings;

use KeenMargin\Core\Workings\Checks\MessageCheck;
use KeenMargin\Core\Workings\Checks\StaleNumber;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** A message is marked once the numbers that it took are others. */
final class MessageCheckTest extends TestCase
{
    /** @return list<string> what is stale, as the check says it */
    private static function stale(
        string $text,
        string $said,
        string $exact,
        string $csv,
        string $row = 'total',
        string $column = 'variance:BU',
        string $unit = '1',
    ): array {
        $finish = [
            'unit' => $unit,
            'message' => [
                'text' => $text,
                'numbers' => [['said' => $said, 'row' => $row, 'column' => $column, 'exact' => $exact]],
            ],
        ];
        $drawing = Written::drawing($csv, ['against' => ['BU']], $finish);
        $message = Written::recipe([], $finish)->finish->message;
        \assert(null !== $message);
        $stale = array_map(
            static fn (StaleNumber $one): string => "says {$one->said}, is now {$one->now}",
            MessageCheck::stale($message, $drawing->workings),
        );
        // A message without numbers of the workings has nothing to be checked.
        $check =
            array_values(
                array_filter($drawing->checks(), static fn ($check): bool => 'message-is-current' === $check->id),
            )[0] ?? null;
        self::assertSame([] === $message->kept() ? null : [] === $stale, $check?->holds);

        return $stale;
    }

    private static function csv(int $actual, int $budget = 100): string
    {
        return "Month,Actual,Budget\n2026-01,$actual,$budget\n";
    }

    /** @param list<string> $says */
    #[TestWith([148, []])]
    #[TestWith([151, ['says 48, is now 51']])]
    #[TestWith([60, ["says 48, is now \u{2212}40"]])]
    #[TestWith([100, ['says 48, is now 0']])]
    public function testANumberThatChanged(int $actual, array $says): void
    {
        self::assertSame($says, self::stale('We are 48 above budget', '48', '48', self::csv($actual)));
    }

    public function testASignedNumberKeepsItsSign(): void
    {
        self::assertSame(['says +48, is now +51'], self::stale('Budget +48', '+48', '48', self::csv(151)));
    }

    public function testANumberThatTheTextHasNoMoreIsLetGo(): void
    {
        self::assertSame([], self::stale('We are ahead', '48', '48', self::csv(151)));
        self::assertSame([], self::stale('We are 480 ahead', '48', '48', self::csv(151)));
        self::assertSame([], self::stale('We are 1,48 or 48.5 ahead', '48', '48', self::csv(151)));
    }

    public function testAnotherUnitAloneIsNoOtherNumber(): void
    {
        self::assertSame(
            [], self::stale('48,000 above budget', '48,000', '48000', self::csv(148000, 100000), unit: 'k'),
        );
    }

    public function testWhatDoesNotShowIsNotMarked(): void
    {
        self::assertSame([], self::stale('48 k above budget', '48', '48000', self::csv(148200, 100000), unit: 'k'));
    }

    public function testARowThatIsGoneIsSaid(): void
    {
        self::assertSame(
            ['says 48, is now not in this chart'], self::stale('June 48', '48', '48', self::csv(148), '2026-06'),
        );
    }
}
