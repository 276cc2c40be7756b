<?php

declare(strict_types=1);

namespace KeenMargin\Core\Figures;

/** Recognises by name what is better when there is less of it: `Fuel cost`, `Complaints`, `Net debt`. */
final class BetterByName
{
    private const LESS = [
        'costs?', 'expenses?', 'expenditures?', 'spend', 'spending', 'spent', 'overheads?', 'outlays?', 'capex', 'opex',
        'cogs', 'fuel', 'dues', 'fees?', 'tax', 'taxes', 'taxation', 'duty', 'duties', 'fines?', 'penalty', 'penalties',
        'wages?', 'salary', 'salaries', 'payroll', 'debts?', 'indebtedness', 'liability', 'liabilities', 'borrowings?',
        'overdrafts?', 'arrears', 'overdue', 'payables?', 'loss', 'losses', 'write-?offs?', 'shrinkage', 'impairments?',
        'depreciation', 'delays?', 'delayed', 'lateness', 'waiting times?', 'downtime', 'outages?', 'backlogs?',
        'cancell?ations?', 'cancell?ed', 'complaints?', 'claims?', 'churn', 'churned', 'attrition', 'refunds?',
        'no-?shows?', 'defects?', 'defective', 'errors?', 'faults?', 'failures?', 'rework', 'scrap', 'waste',
        'rejects?', 'absences?', 'absenteeism', 'sick(?:ness)?(?: days?| leave)?', 'accidents?', 'incidents?', 'injury',
        'injuries', 'emissions?', '\p{L}*kosten', '\p{L}*aufwand', '\p{L}*aufwendungen', '\p{L}*ausgaben',
        '\p{L}*schulden', '\p{L}*steuern?', '\p{L}*gebühren', '\p{L}*verspätung(?:en)?', '\p{L}*beschwerden', 'coûts?',
        'dépenses?', 'charges?', 'dettes?', 'impôts?', 'frais', 'retards?', 'plaintes?',
    ];
    /**
     * Words that turn the others round, or say that both sides are in it: `Cost savings`, `Profit and loss`, `Profit
     * before tax`.
     */
    private const MORE = [
        'savings?', 'saved', 'reductions?', 'avoided', 'avoidance', 'recovery', 'recovered', 'coverage', 'covered',
        'income', 'revenues?', 'sales', 'profits?', 'gains?', 'earnings', 'ebit\p{L}*', 'margins?', 'results?',
        'before', 'after', 'net of', 'excluding', 'excl', 'without', 'collected', 'received', 'resolved', 'repaid',
        'einsparung(?:en)?', 'ergebnis', 'gewinn',
    ];

    /** Null where the name does not tell. */
    public static function maybe(string $name): ?Better
    {
        // Asked of each of thousands of members: the words are put together once.
        static $patterns = null;
        [$less, $more] = $patterns ??= [self::pattern(self::LESS), self::pattern(self::MORE)];

        return 1 === preg_match($less, $name) && 1 !== preg_match($more, $name) ? Better::Less : null;
    }

    /** @param list<string> $words */
    private static function pattern(array $words): string
    {
        return '/(?<![\pL\d])(?:'.implode('|', $words).')(?![\pL\d])/iu';
    }
}
