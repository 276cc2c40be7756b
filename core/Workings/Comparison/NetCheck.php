<?php

declare(strict_types=1);

namespace KeenMargin\Core\Workings\Comparison;

use Brick\Math\BigDecimal;
use KeenMargin\Core\Figures\Sums;
use KeenMargin\Core\Number\Fraction;
use KeenMargin\Core\Workings\Arithmetic\Comparison;
use KeenMargin\Core\Workings\Arithmetic\Total;
use KeenMargin\Core\Workings\Result\Check;
use KeenMargin\Core\Workings\Rows\Scope;
use KeenMargin\Core\Workings\Rows\Slices;

/** Whether the lines of a statement, each with the sign of what it does, come to the result that is shown. */
final class NetCheck
{
    public static function of(Scope $scope, Comparison $comparison, Slices $slices, Total $total): Check
    {
        $breakdown = (string) $scope->question->breakdown();
        $lines = $slices
            ->maybeNet()
            ?->sumsBy($breakdown, $scope->sources, $scope->question->where, $scope->dataset->coverage->scenarios());
        $exact = array_map(static fn (Sums $own) => $comparison->exact($scope->fine, $own), $lines ?? []);
        $sum = Fraction::from(BigDecimal::zero());
        foreach ($exact as $one) {
            $sum = null === $one ? $sum : $sum->plus($one);
        }
        $result = $total->exact ?? $total->shown;
        $holds = null === $result ? $sum->isZero() : $sum->isEqualTo($result);

        return new Check(
            'lines-net-to-result',
            $holds,
            $holds ? 'Lines that add less lines that take away are the result' : 'The lines do not come to the result',
        );
    }
}
