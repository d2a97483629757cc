using Microsoft.CodeAnalysis;
using Microsoft.CodeAnalysis.CSharp;
using Microsoft.CodeAnalysis.CSharp.Syntax;

namespace FondCompass.Mutants;

/// <summary>Writes a file of the core anew, with a switch at each change that was chosen.</summary>
internal sealed class Switched(ILookup<SyntaxNode, Mutation> chosen) : CSharpSyntaxRewriter
{
    private const string On = "global::FondCompass.Core.Switches.On";

    /// <summary>The name of the constant that a change makes a property of, by the number of the change.</summary>
    public Dictionary<int, string> Constants { get; } = [];

    public override SyntaxNode? Visit(SyntaxNode? node)
    {
        if (node is null || node is SwitchExpressionArmSyntax || node is VariableDeclaratorSyntax || !chosen[node].Any())
        {
            return base.Visit(node);
        }

        var text = base.Visit(node)!.ToString();
        foreach (var mutation in chosen[node])
        {
            text = $"({On}({mutation.Id}) ? ({mutation.Becomes}) : ({text}))";
        }

        return SyntaxFactory.ParseExpression(text).WithTriviaFrom(node);
    }

    public override SyntaxNode? VisitSwitchExpression(SwitchExpressionSyntax node)
    {
        if (!node.Arms.Any(a => chosen[a].Any()))
        {
            return base.VisitSwitchExpression(node);
        }

        var arms = new List<string>();
        foreach (var arm in node.Arms)
        {
            var when = arm.WhenClause is { } w ? $" && ({w.Condition})" : "";
            arms.AddRange(chosen[arm].Select(m => $"{m.Becomes} when {On}({m.Id}){when} => {arm.Expression}"));
            var off = string.Concat(chosen[arm].Select(m => $"!{On}({m.Id}) && "));
            var visited = (SwitchExpressionArmSyntax)base.Visit(arm)!;
            arms.Add(off.Length == 0
                ? visited.ToString()
                : $"{visited.Pattern} when {off}({visited.WhenClause?.Condition.ToString() ?? "true"}) => {visited.Expression}");
        }

        var switched = (SwitchExpressionSyntax)SyntaxFactory.ParseExpression($"x switch {{ {string.Join(",\n", arms)} }}");
        return node.WithGoverningExpression((ExpressionSyntax)Visit(node.GoverningExpression)!).WithArms(switched.Arms);
    }

    public override SyntaxNode? VisitClassDeclaration(ClassDeclarationSyntax node) =>
        WithProperties(node, (TypeDeclarationSyntax)base.VisitClassDeclaration(node)!);

    public override SyntaxNode? VisitStructDeclaration(StructDeclarationSyntax node) =>
        WithProperties(node, (TypeDeclarationSyntax)base.VisitStructDeclaration(node)!);

    public override SyntaxNode? VisitRecordDeclaration(RecordDeclarationSyntax node) =>
        WithProperties(node, (TypeDeclarationSyntax)base.VisitRecordDeclaration(node)!);

    /// <summary>A constant that is changed is a static property with the switch in it.</summary>
    private TypeDeclarationSyntax WithProperties(TypeDeclarationSyntax was, TypeDeclarationSyntax now)
    {
        var members = new List<MemberDeclarationSyntax>();
        foreach (var (old, member) in was.Members.Zip(now.Members))
        {
            if (old is not FieldDeclarationSyntax f || !f.Declaration.Variables.Any(v => chosen[v].Any()))
            {
                members.Add(member);
                continue;
            }

            var modifiers = string.Join(' ', f.Modifiers.Select(m => m.Text).Where(m => m != "const"));
            foreach (var variable in f.Declaration.Variables)
            {
                var value = variable.Initializer!.Value.ToString();
                var text = value;
                foreach (var mutation in chosen[variable])
                {
                    text = $"({On}({mutation.Id}) ? ({mutation.Becomes}) : ({text}))";
                    Constants[mutation.Id] = variable.Identifier.Text;
                }

                members.Add(SyntaxFactory.ParseMemberDeclaration(
                    chosen[variable].Any()
                        ? $"{modifiers} static {f.Declaration.Type} {variable.Identifier} => {text};\n"
                        : $"{modifiers} const {f.Declaration.Type} {variable.Identifier} = {value};\n")!);
            }
        }

        return now.WithMembers(SyntaxFactory.List(members));
    }
}
