<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app;

use KeenMargin\Tests\core\Coverage\Example;
use KeenMargin\Tests\core\Coverage\Examples;
use KeenMargin\Tests\core\Coverage\ToldWorkings;
use KeenMargin\Tests\core\Written;
use PHPUnit\Framework\Attributes\DataProviderExternal;
use PHPUnit\Framework\TestCase;

/** The same numbers come of a file on the command line and of figures that are kept. */
final class CoverageTest extends TestCase
{
    #[DataProviderExternal(Examples::class, 'all')]
    public function testByTheCommandLine(Example $example): void
    {
        [$code, $output, $errors] = Command::keen(
            ['workings', '-', Written::file($example->csv())], $example->recipe(),
        );
        self::assertSame([0, ''], [$code, $errors]);
        self::assertTold($example, $output);
    }

    #[DataProviderExternal(Examples::class, 'all')]
    public function testOverHttp(Example $example): void
    {
        $dataset = Kept::made($example->csv(), $example->mapping ?: null);
        $recipe = ['keenMargin' => 1, 'question' => (object) $example->question, 'kind' => $example->kind];
        $answer = Server::send('POST', "/api/datasets/$dataset/workings.json", ['recipe' => $recipe]);
        self::assertSame(200, $answer->status, $answer->body);
        self::assertTold($example, $answer->body);
    }

    private static function assertTold(Example $example, string $json): void
    {
        $lines = ToldWorkings::lines($json);
        self::assertSame([], array_values(array_diff($example->lines, $lines)), implode("\n", $lines));
    }
}
