<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Coverage;

use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Drawing\Drawing;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;

final class CoverageTest extends TestCase
{
    #[DataProviderExternal(Examples::class, 'all')]
    #[DataProviderExternal(OpenMonthExamples::class, 'all')]
    #[DataProviderExternal(LikeForLikeExamples::class, 'all')]
    public function testWhatIsMissingAndWhatIsNothing(Example $example): void
    {
        $workings = Drawing::workings(
            RecipeReader::json($example->recipe(), ChartKinds::all()),
            Written::figures($example->csv(), $example->mapping),
            ChartKinds::all(),
        );
        $lines = ToldWorkings::lines(json_encode(Written::document($workings), \JSON_THROW_ON_ERROR));
        self::assertSame([], array_values(array_diff($example->lines, $lines)), implode("\n", $lines));
    }
}
