<?php

declare(strict_types=1);

namespace KeenMargin\Core\Question\Document;

use KeenMargin\Core\Document\Given;
use KeenMargin\Core\Document\NotAccepted;
use KeenMargin\Core\Question\Part\PanelKey;
use KeenMargin\Core\Question\Part\RowKey;
use KeenMargin\Core\Question\Part\SumKey;

/**
 * Reads which row a recipe means, as RowKey::toJson() writes it. Older recipes wrote `PANEL/ROW`, in one text, and are
 * still read.
 */
final class RowKeyReader
{
    /**
     * @param bool $hasPanels whether the question has several panels
     *
     * @throws NotAccepted
     */
    public static function read(Given $given, bool $hasPanels): RowKey
    {
        if (!$given->isObject()) {
            return self::fromText($given->text(1000), $hasPanels);
        }
        $given->object(['panel', 'others', 'row', 'sum', 'within', 'leg']);
        $panel = match (true) {
            true === $given->maybe('others')?->bool() => PanelKey::others(),
            null !== $given->maybe('panel') => PanelKey::member($given->must('panel')->text(500)),
            default => null,
        };
        $sum = $given->maybe('sum')?->enum(SumKey::class);

        $key =
            null === $sum
                ? RowKey::row($given->must('row')->text(500), $panel)
                : RowKey::sum($sum, $panel, $given->maybe('row')?->text(500));

        return self::onItsWay($given, $key);
    }

    /**
     * The row among the steps of opened ones, and after totals between.
     *
     * @throws NotAccepted
     */
    private static function onItsWay(Given $given, RowKey $key): RowKey
    {
        $step = null;
        foreach ($given->maybe('within')?->list() ?? [] as $name) {
            $of = $name->text(500);
            $sum = SumKey::tryFrom($of);
            $opened = null === $sum || $sum->isPlain() ? RowKey::row($of) : RowKey::sum($sum);
            $step = null === $step ? $opened->inPanel($key->panel) : $opened->withinStep($step);
        }
        $leg = max(0, $given->maybe('leg')?->int(0, 9) ?? 0);

        return (null === $step ? $key : $key->withinStep($step))->onLeg($leg);
    }

    private static function fromText(string $text, bool $hasPanels): RowKey
    {
        $parts = $hasPanels ? explode('/', $text, 2) : [$text];
        $name = $parts[1] ?? $parts[0];
        // A star told a sum apart from a member of its name.
        $sum = SumKey::maybePlain(rtrim($name, '*'));
        $key = null === $sum ? RowKey::row($name) : RowKey::sum($sum);

        return isset($parts[1]) ? $key->inPanel(self::panel($parts[0])) : $key;
    }

    private static function panel(string $name): PanelKey
    {
        return match (true) {
            1 === preg_match('/^Other \(\d+\)$/D', $name) => PanelKey::others(),
            '(blank)' === $name => PanelKey::member(''),
            default => PanelKey::member($name),
        };
    }
}
