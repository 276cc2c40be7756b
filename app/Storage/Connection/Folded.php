<?php

declare(strict_types=1);

namespace KeenMargin\App\Storage\Connection;

use Doctrine\ORM\Query\AST\Functions\FunctionNode;
use Doctrine\ORM\Query\AST\Node;
use Doctrine\ORM\Query\Parser;
use Doctrine\ORM\Query\SqlWalker;
use Doctrine\ORM\Query\TokenType;

/** `FOLDED(text)` of DQL: text as it is sought, which the database calls `folded`. */
final class Folded extends FunctionNode
{
    public const NAME = 'folded';

    private Node|string $text = '';

    public function getSql(SqlWalker $sqlWalker): string
    {
        $text = $this->text instanceof Node ? $this->text->dispatch($sqlWalker) : $this->text;

        return self::NAME."($text)";
    }

    public function parse(Parser $parser): void
    {
        $parser->match(TokenType::T_IDENTIFIER);
        $parser->match(TokenType::T_OPEN_PARENTHESIS);
        $this->text = $parser->StringPrimary();
        $parser->match(TokenType::T_CLOSE_PARENTHESIS);
    }
}
