<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures\Arrival;

use KeenMargin\Core\Figures\Arrival\ExpectedFigures;
use KeenMargin\Core\Figures\Arrival\ExpectedState;
use KeenMargin\Core\Time\Period;
use KeenMargin\Core\Time\WorkingDays;
use PHPUnit\Framework\TestCase;

/** Figures of August 2026, expected by Friday 4 September, the fourth working day. */
final class ExpectedFiguresTest extends TestCase
{
    private static function on(
        string $today,
        ?string $came = null,
        bool $isThere = false,
        bool $no = false,
    ): ExpectedFigures {
        return ExpectedFigures::of(
            days: new WorkingDays(),
            closed: Period::month(2026, 8),
            workingDay: 4,
            today: Period::of($today)->firstDay(),
            came: null === $came ? null : Period::of($came)->firstDay(),
            isThere: $isThere,
            isNotComing: $no,
        );
    }

    public function testTheyAreExpectedUntilTheDayIsOverThenLate(): void
    {
        self::assertSame(ExpectedState::Expected, self::on('2026-08-20')->state);
        self::assertSame(ExpectedState::Expected, self::on('2026-09-04')->state);
        self::assertSame([ExpectedState::Late, 0], [self::on('2026-09-05')->state, self::on('2026-09-05')->late]);
        self::assertSame([ExpectedState::Late, 2], [self::on('2026-09-08')->state, self::on('2026-09-08')->late]);
    }

    public function testWhatCameIsNotLateAnyMoreButWasLate(): void
    {
        self::assertSame(0, self::on('2026-09-30', '2026-09-02')->late);
        $late = self::on('2026-09-30', '2026-09-08');
        self::assertSame([ExpectedState::Came, 2], [$late->state, $late->late]);
        $before = self::on('2026-09-30', '2026-08-31');
        self::assertSame([ExpectedState::Came, 0], [$before->state, $before->late]);
    }

    public function testWhatIsThereCameThoughNobodyKnowsWhen(): void
    {
        $there = self::on('2026-09-30', null, true);
        self::assertSame([ExpectedState::Came, null, 0], [$there->state, $there->came, $there->late]);
    }

    public function testWhatDoesNotComeIsNotWaitedForUnlessItCame(): void
    {
        self::assertSame(ExpectedState::NotComing, self::on('2026-09-30', no: true)->state);
        self::assertSame(ExpectedState::Came, self::on('2026-09-30', '2026-09-02', no: true)->state);
    }
}
