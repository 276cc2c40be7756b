<?php

declare(strict_types=1);

namespace KeenMargin\Tests\core\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Document\Shape\Choice;
use KeenMargin\Core\Document\Shape\Shape;
use KeenMargin\Core\Document\Shape\ShapeKey;
use KeenMargin\Core\Drawing\ChartKinds;
use KeenMargin\Core\Question\Document\FinishReader;
use KeenMargin\Core\Question\Finish\Finish;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ShapeTest extends TestCase
{
    public function testEachPropertyOfAFinishHasAKey(): void
    {
        self::assertSame(array_keys(get_object_vars(new Finish())), array_keys(Shape::of(Finish::class)->keys));
    }

    public function testWhatIsAsItsDefaultIsNotWritten(): void
    {
        self::assertSame([], Shape::of(Finish::class)->write(new Finish()));
        $finish = new Finish(decimals: 0, width: 881, gap: true, cut: false);
        self::assertSame(
            ['decimals' => 0, 'width' => 881, 'gap' => true, 'cut' => false], Shape::of(Finish::class)->write($finish),
        );
    }

    public function testEachChoiceOfThePageIsAcceptedAndWrittenAgain(): void
    {
        $tried = 0;
        foreach (Shape::of(Finish::class)->keys as $name => $key) {
            $control = $key->control();
            foreach ($control instanceof Choice ? array_keys($control->words) : [] as $value) {
                if ('' === $value) {
                    continue;
                }
                $given = 'int' === $key->type ? (int) $value : (string) $value;
                $finish = FinishReader::read(Given::kept([$name => $given]), false);
                $isDefault = $finish->{$name} === $key->default;
                self::assertSame($isDefault ? [] : [$name => $given], Shape::of(Finish::class)->write($finish), $name);
                ++$tried;
            }
        }
        self::assertGreaterThan(20, $tried);
    }

    /** @return iterable<string, array{string, string}> */
    public static function refused(): iterable
    {
        yield 'unknown key' => [
            '{"title":{"whom":"x"}}', 'title.whom: This key is not known; accepted are who, what, when.',
        ];
        yield 'missing key' => ['{"message":{"numbers":[]}}', 'message.text: This key is missing.'];
        yield 'in a list' => [
            '{"message":{"text":"48","numbers":[{"said":"48","row":"total","column":"AC","exact":"x"}]}}',
            'message.numbers[0].exact: "x" is not accepted; give a number in quotes, such as "99" or "-0.5".',
        ];
        yield 'by the class' => [
            '{"ends":{"from":"5","to":"5"}}', 'ends.to: "5" is not accepted; give more than where the scale begins.',
        ];
        yield 'limits' => ['{"decimals":7}', 'decimals: 7 is not accepted; give a whole number from 0 to 6.'];
        yield 'one of' => ['{"locale":"it"}', 'locale: "it" is not accepted; give en, de or fr.'];
        yield 'a switch' => ['{"gap":"yes"}', 'gap: "yes" is not accepted; give true or false.'];
    }

    #[DataProvider('refused')]
    public function testWhatIsRefusedIsSaidWithItsPath(string $json, string $says): void
    {
        try {
            FinishReader::read(Given::json($json), false);
            self::fail('This was accepted.');
        } catch (NotAccepted $e) {
            self::assertSame($says, $e->getMessage());
        }
    }

    public function testKindsListOnlyKeysThatAreOfKinds(): void
    {
        $ofKinds = array_filter(Shape::of(Finish::class)->keys, static fn (ShapeKey $key): bool => $key->key->ofKinds);
        $used = [];
        $kinds = ChartKinds::all();
        foreach (array_map($kinds->of(...), $kinds->ids()) as $kind) {
            self::assertSame([], array_diff($kind->options(), array_keys($ofKinds)), $kind->id());
            $used = [...$used, ...$kind->options()];
        }
        self::assertSame([], array_diff(array_keys($ofKinds), $used), 'No kind has a use for these.');
    }
}
