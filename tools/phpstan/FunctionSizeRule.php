<?php

declare(strict_types=1);

namespace KeenMargin\Tools\phpstan;

use PhpParser\Node;
use PhpParser\NodeFinder;
use PHPStan\Analyser\Scope;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;

/**
 * No function of core and app has a body of more than 60 lines or a cyclomatic complexity (McCabe) of more than 15;
 * no constructor takes more than twelve parameters.
 *
 * Counted are branches, loops, cases, arms of a match, catches, ternaries and logical operators; functions within a
 * function count as parts of it.
 *
 * @implements Rule<Node\FunctionLike>
 */
final class FunctionSizeRule implements Rule
{
    private const LINES = 60;
    private const COMPLEXITY = 15;
    private const PARAMETERS = 12;
    private const BRANCHES = [
        Node\Stmt\If_::class, Node\Stmt\ElseIf_::class, Node\Stmt\For_::class, Node\Stmt\Foreach_::class,
        Node\Stmt\While_::class, Node\Stmt\Do_::class, Node\Stmt\Case_::class, Node\Stmt\Catch_::class,
        Node\MatchArm::class, Node\Expr\Ternary::class, Node\Expr\BinaryOp\BooleanAnd::class,
        Node\Expr\BinaryOp\BooleanOr::class,
    ];

    public function getNodeType(): string
    {
        return Node\FunctionLike::class;
    }

    public function processNode(Node $node, Scope $scope): array
    {
        $isRoom = 1 === preg_match('#^(?!.*/tests/).*/(core|app)/#', $scope->getFile());
        if (!$isRoom || !($node instanceof Node\Stmt\ClassMethod || $node instanceof Node\Stmt\Function_)) {
            return [];
        }
        $name = (string) $node->name;
        $body = $node->stmts ?? [];
        $lines = [] === $body ? 0 : end($body)->getEndLine() - $body[0]->getStartLine() + 1;
        $complexity = 1 + \count((new NodeFinder())->find($body, self::branches(...)));
        // An answer of the API has a parameter for each of its properties.
        $isAnswer = str_contains($scope->getFile(), '/app/Http/Contract/');
        $parameters = '__construct' === $name && !$isAnswer ? \count($node->params) : 0;
        $wrong = [
            [$lines > self::LINES, "$name() has $lines lines; ".self::LINES.' at most.'],
            [$complexity > self::COMPLEXITY, "$name() has complexity $complexity; ".self::COMPLEXITY.' at most.'],
            [$parameters > self::PARAMETERS, "$name() takes $parameters parameters; ".self::PARAMETERS.' at most.'],
        ];
        $errors = [];
        foreach ($wrong as [$isWrong, $says]) {
            if ($isWrong) {
                $errors[] = RuleErrorBuilder::message($says)->identifier('keenMargin.functionSize')->build();
            }
        }

        return $errors;
    }

    private static function branches(Node $node): bool
    {
        return \in_array($node::class, self::BRANCHES, true);
    }
}
