<?php

declare(strict_types=1);

namespace KeenMargin\Core\Report\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Report\Block\Block;
use KeenMargin\Core\Report\Block\ChartBlock;
use KeenMargin\Core\Report\Block\FiguresBlock;
use KeenMargin\Core\Report\Block\KeyFigure;
use KeenMargin\Core\Report\Block\TextBlock;

/** Reads a block of a page: `{"chart": RECIPE or a name}`, `{"figures": […]}`, `{"text": …}`. */
final class BlockReader
{
    /** @throws NotAccepted */
    public static function read(Given $given, Ids $ids): Block
    {
        $given->object(['id', 'width', 'dataset', 'chart', 'figures', 'text']);
        $id = $ids->of($given, 'b');
        $width = $given->maybe('width')?->int(1, Block::WIDEST) ?? 1;
        $told = array_values(
            array_filter(['chart', 'figures', 'text'], static fn (string $key): bool => null !== $given->maybe($key)),
        );
        if (1 !== \count($told)) {
            throw new NotAccepted($given->path, 'A block is one of "chart", "figures" and "text".');
        }

        return match ($told[0]) {
            'chart' => self::chart($given, $id, $width),
            'figures' => new FiguresBlock($id, $width, self::figures($given->must('figures'), $ids)),
            'text' => new TextBlock($id, $width, LiveTextReader::read($given->must('text'), LiveTextReader::TEXT)),
        };
    }

    /** @throws NotAccepted */
    private static function chart(Given $given, string $id, int $width): ChartBlock
    {
        $chart = $given->must('chart');

        return new ChartBlock(
            id: $id,
            width: $width,
            dataset: $given->maybe('dataset')?->text(200) ?? '',
            recipe: $chart->isObject() ? self::recipe($chart) : null,
            named: $chart->isObject() ? '' : $chart->text(200),
        );
    }

    /**
     * @return list<KeyFigure>
     *
     * @throws NotAccepted
     */
    private static function figures(Given $given, Ids $ids): array
    {
        $list = $given->list();
        if (\count($list) > FiguresBlock::MOST) {
            throw new NotAccepted($given->path, 'A block has '.FiguresBlock::MOST.' key figures at most.');
        }

        return array_map(static function (Given $figure) use ($ids): KeyFigure {
            // A recipe alone is a key figure, too.
            $isPlain = null !== $figure->maybe('keenMargin');
            $isPlain || $figure->object(['id', 'dataset', 'recipe', 'label']);

            return new KeyFigure(
                id: $isPlain ? $ids->next('k') : $ids->of($figure, 'k'),
                dataset: $isPlain ? '' : $figure->maybe('dataset')?->text(200) ?? '',
                recipe: self::recipe($isPlain ? $figure : $figure->must('recipe')),
                label: trim($isPlain ? '' : $figure->maybe('label')?->text(100) ?? ''),
            );
        }, $list);
    }

    /**
     * Held against its dataset when it is drawn.
     *
     * @return array<string, mixed>
     *
     * @throws NotAccepted
     */
    private static function recipe(Given $given): array
    {
        $given->object(['keenMargin', 'question', 'kind', 'finish', 'figures']);
        /** @var array<string, mixed> $recipe */
        $recipe = $given->plain();

        return $recipe;
    }
}
