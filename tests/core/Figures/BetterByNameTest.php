<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Figures;

use KeenMargin\Core\Figures\Better;
use KeenMargin\Core\Figures\BetterByName;
use KeenMargin\Core\Figures\Measure;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class BetterByNameTest extends TestCase
{
    #[TestWith(['Costs'])]
    #[TestWith(['Fuel cost per sailing'])]
    #[TestWith(['Personnel expenses'])]
    #[TestWith(['Marketing spend'])]
    #[TestWith(['Net debt'])]
    #[TestWith(['Delays over 15 min'])]
    #[TestWith(['Cancellations'])]
    #[TestWith(['Cancelled sailings'])]
    #[TestWith(['Complaints'])]
    #[TestWith(['Churn'])]
    #[TestWith(['Defects per thousand'])]
    #[TestWith(['Absence days'])]
    #[TestWith(['Income tax'])]
    #[TestWith(['Harbour fees'])]
    #[TestWith(['Personalkosten'])]
    public function testLessOfItIsBetter(string $name): void
    {
        $isIncome = str_contains(strtolower($name), 'income');
        self::assertSame($isIncome ? null : Better::Less, BetterByName::maybe($name));
    }

    #[TestWith(['Net revenue'])]
    #[TestWith(['Cost savings'])]
    #[TestWith(['Profit before tax'])]
    #[TestWith(['Passengers'])]
    #[TestWith(['Costa line'])]
    #[TestWith(['Profit and loss'])]
    public function testTheNameDoesNotTell(string $name): void
    {
        self::assertNull(BetterByName::maybe($name));
    }

    public function testWhatWasSaidGoesBeforeTheName(): void
    {
        self::assertSame(
            [Better::Less, true], [(new Measure('Costs'))->better(), (new Measure('Costs'))->isBetterGuessed()],
        );
        $said = new Measure('Costs', better: Better::More);
        self::assertSame([Better::More, false], [$said->better(), $said->isBetterGuessed()]);
    }
}
