<?php

declare(strict_types=1);

namespace KeenMargin\Tools\phpstan;

use PhpParser\Node;
use PhpParser\Node\Arg;
use PhpParser\Node\Expr\CallLike;
use PhpParser\Node\Expr\MethodCall;
use PhpParser\Node\Expr\New_;
use PhpParser\Node\Expr\StaticCall;
use PhpParser\Node\Identifier;
use PhpParser\Node\Name;
use PHPStan\Analyser\Scope;
use PHPStan\Reflection\ParameterReflection;
use PHPStan\Reflection\ReflectionProvider;
use PHPStan\Rules\Rule;
use PHPStan\Rules\RuleErrorBuilder;

/**
 * Calls with more than five arguments by position cannot be read: name them, or hand over a value that has a name.
 *
 * @implements Rule<CallLike>
 */
final readonly class PositionalArgumentsRule implements Rule
{
    private const MOST = 5;

    public function __construct(private ReflectionProvider $reflections) {}

    public function getNodeType(): string
    {
        return CallLike::class;
    }

    public function processNode(Node $node, Scope $scope): array
    {
        if (!($node instanceof New_) && !($node instanceof StaticCall) && !($node instanceof MethodCall)) {
            return [];
        }
        $positional = array_filter(
            $node->getRawArgs(),
            static fn (Node $argument): bool => $argument instanceof Arg
                && null === $argument->name
                && !$argument->unpack,
        );
        if (\count($positional) <= self::MOST) {
            return [];
        }
        $parameters = $this->parameters($node, $scope);
        if ([] !== $parameters && $parameters[\count($parameters) - 1]->isVariadic()) {
            return [];
        }
        $names = implode(', ', array_map(static fn (ParameterReflection $one): string => $one->getName(), $parameters));
        $called = match (true) {
            !($node instanceof New_) && $node->name instanceof Identifier => $node->name->toString(),
            $node instanceof New_ && $node->class instanceof Name => $node->class->getLast(),
            default => 'it',
        };

        return [
            RuleErrorBuilder::message(\count($positional)." arguments by position to $called(). Name them: $names.")
                ->identifier('keenMargin.positional')
                ->line($node->getStartLine())
                ->build(),
        ];
    }

    /** @return list<ParameterReflection> empty where they are not known */
    private function parameters(New_|StaticCall|MethodCall $node, Scope $scope): array
    {
        $method = match (true) {
            $node instanceof New_ => '__construct',
            $node->name instanceof Identifier => $node->name->toString(),
            default => '',
        };
        $classes = match (true) {
            $node instanceof MethodCall => $scope->getType($node->var)->getObjectClassNames(),
            $node->class instanceof Name => [$scope->resolveName($node->class)],
            default => [],
        };
        foreach ($classes as $class) {
            if ($this->reflections->hasClass($class) && $this->reflections->getClass($class)->hasMethod($method)) {
                $reflection = $this->reflections->getClass($class)->getMethod($method, $scope);

                return $reflection->getVariants()[0]->getParameters();
            }
        }

        return [];
    }
}
