using System.Globalization;
using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace FondCompass.Mutants;

/// <summary>What may be changed in a piece of syntax: operators, boundaries, constants, conditions.</summary>
internal static class Changes
{
    private static readonly Dictionary<SyntaxKind, SyntaxKind[]> Operators = new()
    {
        [SyntaxKind.LessThanToken] = [SyntaxKind.LessThanEqualsToken, SyntaxKind.GreaterThanEqualsToken],
        [SyntaxKind.LessThanEqualsToken] = [SyntaxKind.LessThanToken, SyntaxKind.GreaterThanToken],
        [SyntaxKind.GreaterThanToken] = [SyntaxKind.GreaterThanEqualsToken, SyntaxKind.LessThanEqualsToken],
        [SyntaxKind.GreaterThanEqualsToken] = [SyntaxKind.GreaterThanToken, SyntaxKind.LessThanToken],
        [SyntaxKind.EqualsEqualsToken] = [SyntaxKind.ExclamationEqualsToken],
        [SyntaxKind.ExclamationEqualsToken] = [SyntaxKind.EqualsEqualsToken],
        [SyntaxKind.PlusToken] = [SyntaxKind.MinusToken],
        [SyntaxKind.MinusToken] = [SyntaxKind.PlusToken],
        [SyntaxKind.AsteriskToken] = [SyntaxKind.SlashToken],
        [SyntaxKind.SlashToken] = [SyntaxKind.AsteriskToken],
        [SyntaxKind.PercentToken] = [SyntaxKind.AsteriskToken],
        [SyntaxKind.AmpersandAmpersandToken] = [SyntaxKind.BarBarToken],
        [SyntaxKind.BarBarToken] = [SyntaxKind.AmpersandAmpersandToken],
    };

    private static readonly Dictionary<string, string> Calls = new()
    {
        ["Any"] = "All",
        ["All"] = "Any",
        ["Min"] = "Max",
        ["Max"] = "Min",
        ["First"] = "Last",
        ["Last"] = "First",
        ["FirstOrDefault"] = "LastOrDefault",
        ["LastOrDefault"] = "FirstOrDefault",
        ["Take"] = "Skip",
        ["Skip"] = "Take",
        ["OrderBy"] = "OrderByDescending",
        ["OrderByDescending"] = "OrderBy",
        ["MinBy"] = "MaxBy",
        ["MaxBy"] = "MinBy",
        ["TakeWhile"] = "SkipWhile",
        ["SkipWhile"] = "TakeWhile",
        ["Floor"] = "Ceiling",
        ["Ceiling"] = "Floor",
        ["ThenBy"] = "ThenByDescending",
        ["ThenByDescending"] = "ThenBy",
    };

    /// <summary>
    /// The texts that may stand in the place of a node; none where it is not one that is changed, or stands where only a constant may.
    /// </summary>
    public static IEnumerable<string> Of(SyntaxNode node)
    {
        if (node is not (ExpressionSyntax or VariableDeclaratorSyntax or SwitchExpressionArmSyntax) || IsFixed(node))
        {
            return [];
        }

        return node switch
        {
            BinaryExpressionSyntax b when Operators.TryGetValue(b.OperatorToken.Kind(), out var others) =>
                others.Select(o => $"{b.Left}{Spaced(SyntaxFacts.GetText(o))}{b.Right}"),
            PrefixUnaryExpressionSyntax p when p.IsKind(SyntaxKind.LogicalNotExpression) => [p.Operand.ToString()],
            LiteralExpressionSyntax l when l.Parent is not PrefixUnaryExpressionSyntax { RawKind: (int)SyntaxKind.UnaryMinusExpression } =>
                Literal(l),
            PrefixUnaryExpressionSyntax p when p.IsKind(SyntaxKind.UnaryMinusExpression) => [p.Operand.ToString()],
            IsPatternExpressionSyntax p =>
                Patterns(p.Pattern).Select(t => $"{p.Expression} is {t}").Concat(Declares(p.Pattern) ? [] : [$"!({p})"]),
            InvocationExpressionSyntax { Expression: MemberAccessExpressionSyntax m } i when Calls.TryGetValue(
                m.Name.Identifier.Text,
                out var other)
                && m.Name is IdentifierNameSyntax =>
                [$"{m.Expression}.{other}{i.ArgumentList}"],
            InvocationExpressionSyntax i when IsCondition(i) => [$"!{i}"],
            MemberAccessExpressionSyntax m when IsCondition(m) => [$"!{m}"],
            IdentifierNameSyntax n when IsCondition(n) => [$"!{n}"],
            VariableDeclaratorSyntax
            {
                Initializer.Value: { } value,
                Parent: VariableDeclarationSyntax { Parent: FieldDeclarationSyntax f }
            } when f.Modifiers.Any(SyntaxKind.ConstKeyword) =>
                Constant(value),
            SwitchExpressionArmSyntax a when !Declares(a.Pattern) => Patterns(a.Pattern).Take(2),
            _ => [],
        };
    }

    /// <summary>The condition of an if, a while, a choice, or a side of "and", "or", that is neither comparison nor "not".</summary>
    private static bool IsCondition(ExpressionSyntax e) => e.Parent switch
    {
        IfStatementSyntax i => i.Condition == e,
        WhileStatementSyntax w => w.Condition == e,
        ConditionalExpressionSyntax c => c.Condition == e,
        BinaryExpressionSyntax b => b.IsKind(SyntaxKind.LogicalAndExpression) || b.IsKind(SyntaxKind.LogicalOrExpression),
        _ => false,
    };

    private static IEnumerable<string> Literal(LiteralExpressionSyntax literal) => literal.Kind() switch
    {
        SyntaxKind.TrueLiteralExpression => ["false"],
        SyntaxKind.FalseLiteralExpression => ["true"],
        SyntaxKind.NumericLiteralExpression => Number(literal.Token),
        _ => [],
    };

    private static IEnumerable<string> Number(SyntaxToken token) => token.Value switch
    {
        int n => [More(n)],
        double d =>
            [d == Math.Floor(d) ? (d + 1).ToString("0.0", CultureInfo.InvariantCulture) : (d * 1.25).ToString("R", CultureInfo.InvariantCulture)],
        long n => [(n + 1).ToString(CultureInfo.InvariantCulture) + "L"],
        _ => [],
    };

    /// <summary>One more; of a large limit a tenth more, so that the change is one that a table of examples could notice.</summary>
    private static string More(int n) => (n >= 100 ? n + (n / 10) : n + 1).ToString(CultureInfo.InvariantCulture);

    private static IEnumerable<string> Constant(ExpressionSyntax value) => value switch
    {
        LiteralExpressionSyntax l => Literal(l),
        PrefixUnaryExpressionSyntax => [],
        BinaryExpressionSyntax => [$"({value}) + 1"],
        _ => [],
    };

    /// <summary>The same pattern with one boundary or one number changed.</summary>
    private static IEnumerable<string> Patterns(PatternSyntax pattern)
    {
        foreach (var relational in pattern.DescendantNodesAndSelf().OfType<RelationalPatternSyntax>())
        {
            if (Operators.TryGetValue(relational.OperatorToken.Kind(), out var others))
            {
                yield return Replaced(pattern, relational, $"{SyntaxFacts.GetText(others[0])} {relational.Expression}");
            }

            if (relational.Expression is LiteralExpressionSyntax number)
            {
                foreach (var text in Literal(number))
                {
                    yield return Replaced(pattern, relational, $"{relational.OperatorToken} {text}");
                }
            }
        }
    }

    private static string Replaced(PatternSyntax whole, SyntaxNode part, string by)
    {
        var text = whole.ToString();
        var from = part.SpanStart - whole.SpanStart;
        return text[..from] + by + text[(from + part.Span.Length)..];
    }

    private static bool Declares(SyntaxNode node) => node.DescendantNodesAndSelf().Any(n => n is SingleVariableDesignationSyntax);

    /// <summary>
    /// Attributes, labels, patterns, defaults, members of an enum: there only a constant may stand, and constants of a type are changed
    /// where they are declared.
    /// What hangs on a <c>?.</c> outside of itself cannot be written alone.
    /// </summary>
    private static bool IsFixed(SyntaxNode node)
    {
        foreach (var at in node.AncestorsAndSelf())
        {
            switch (at)
            {
                case AttributeListSyntax or EnumMemberDeclarationSyntax or CaseSwitchLabelSyntax or ParameterSyntax
                    or InterpolationFormatClauseSyntax or InterpolationAlignmentClauseSyntax:
                case LocalDeclarationStatementSyntax { IsConst: true }:
                case InvocationExpressionSyntax { Expression: IdentifierNameSyntax { Identifier.Text: "nameof" } }:
                case PatternSyntax:
                    return true;
                case FieldDeclarationSyntax f when f.Modifiers.Any(SyntaxKind.ConstKeyword):
                    return node is not VariableDeclaratorSyntax;
                case MemberDeclarationSyntax:
                    return node.DescendantNodes()
                        .Any(n => n is (MemberBindingExpressionSyntax or ElementBindingExpressionSyntax)
                            && !n.Ancestors()
                                .TakeWhile(a => a != node.Parent)
                                .Any(a => a is ConditionalAccessExpressionSyntax c && c.WhenNotNull.Span.Contains(n.Span)));
            }
        }

        return false;
    }

    private static string Spaced(string text) => $" {text} ";
}
