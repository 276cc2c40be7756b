<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Coverage;

use KeenMargin\Core\Drawing\Reckoning;
use KeenMargin\Core\Question\Document\RecipeReader;
use KeenMargin\Core\Workings\Result\WorkingsWriter;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;

final class CoverageTest extends TestCase
{
    #[DataProviderExternal(Examples::class, 'all')]
    public function testWhatIsMissingAndWhatIsNothing(Example $example): void
    {
        $workings = Reckoning::of(
            RecipeReader::json($example->recipe()),
            Written::figures($example->csv(), $example->mapping),
        );
        $lines = ToldWorkings::lines(json_encode(WorkingsWriter::toArray($workings), \JSON_THROW_ON_ERROR));
        self::assertSame([], array_values(array_diff($example->lines, $lines)), implode("\n", $lines));
    }
}
