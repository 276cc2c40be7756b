<?php

declare(strict_types=1);

namespace KeenMargin\Tests\app\Import;

use KeenMargin\App\Import\Format\FigureFile;
use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Figures\Dataset;
use KeenMargin\Core\Figures\Measure;
use KeenMargin\Core\Figures\Notice;
use KeenMargin\Core\Figures\Reading\Guess\RoleGuess;
use KeenMargin\Core\Figures\Reading\Mapping\MappingReader;
use KeenMargin\Core\Figures\Reading\Rows\FactReader;
use KeenMargin\Core\Figures\Reading\Text\RefusedFigures;
use KeenMargin\Core\Figures\Series\Fact;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every layout and trouble has a small file in tests/fixtures/figures, and expected.json says what must come of it. */
final class FixturesTest extends TestCase
{
    private const FOLDER = __DIR__.'/../../fixtures/figures';

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function files(): iterable
    {
        /** @var array<string, array<string, mixed>> $expected */
        $expected = json_decode(
            (string) file_get_contents(self::FOLDER.'/expected.json'), true, 16, \JSON_THROW_ON_ERROR,
        );
        foreach ($expected as $name => $what) {
            yield $name => [$name, $what];
        }
    }

    /** @param array<string, mixed> $expected */
    #[DataProvider('files')]
    public function testComesInAsItIsMeant(string $name, array $expected): void
    {
        try {
            $sheet = FigureFile::open(self::FOLDER.'/'.$name)->sheet();
            $told = Given::json(json_encode((object) ($expected['mapping'] ?? []), \JSON_THROW_ON_ERROR));
            $read = FactReader::figures(
                $sheet, MappingReader::read($told, RoleGuess::of($sheet, null, 2026), $sheet), 'Example',
            );
        } catch (RefusedFigures $refused) {
            self::assertSame($expected['refused'] ?? '', $refused->getMessage());

            return;
        }
        self::assertArrayNotHasKey('refused', $expected, 'it was read');
        $facts = self::facts($read->table->facts());
        $wanted = \is_array($expected['facts'] ?? null) ? array_values($expected['facts']) : [];
        sort($wanted);
        self::assertSame($wanted, $facts);
        self::assertSame($expected['notices'] ?? [], self::notices($read->table->dataset()));
        self::assertSame($expected['units'] ?? [], self::units($read->table->dataset()));
        if (isset($expected['grain'])) {
            self::assertSame($expected['grain'], $read->table->dataset()->grain->value);
        }
    }

    public function testEveryFileHasItsExpectation(): void
    {
        $names = array_map(basename(...), glob(self::FOLDER.'/*') ?: []);
        self::assertSame([], array_diff($names, ['expected.json'], array_keys(iterator_to_array(self::files()))));
    }

    /**
     * @param iterable<Fact> $facts
     *
     * @return list<string>
     */
    private static function facts(iterable $facts): array
    {
        $texts = [];
        foreach ($facts as $fact) {
            $texts[] = implode(' ', [
                $fact->scenario->value,
                $fact->period->key(),
                ...$fact->members,
                $fact->amount->toString(),
                ...'Amount' === $fact->measure ? [] : [$fact->measure],
            ]);
        }
        sort($texts);

        return $texts;
    }

    /** @return list<string> */
    private static function notices(Dataset $dataset): array
    {
        return array_map(
            static fn (Notice $notice): string => ($notice->holds ? '' : '! ').$notice->says,
            $dataset->notices,
        );
    }

    /** @return array<string, string> */
    private static function units(Dataset $dataset): array
    {
        $measures = array_filter($dataset->measures, static fn (Measure $measure): bool => '' !== $measure->unit);

        return array_combine(
            array_map(static fn (Measure $measure): string => $measure->name, $measures),
            array_map(static fn (Measure $measure): string => $measure->unit, $measures),
        );
    }
}
