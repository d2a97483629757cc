using Xunit;
namespace FondCompass.Core.Tests;
public class Scratch
{
    [Fact]
    public void Dump()
    {
        var f = Environment.GetEnvironmentVariable("SCRATCH");
        if (f is null) { return; }
        var a = Analysis.Of(File.ReadAllText(f));
        foreach (var p in a.Trace.Parts) { Console.WriteLine($"part {p.Part.Name} {p.Part.Counts} {p.Start.Weight}->{p.End.Weight} {p.NetTurn}");
            foreach (var x in p.Actions) { Console.WriteLine($"  {x.Action.Line} {x.Action.Beat.Label(),4} {x.At.Value,4} {x.Action.Step,-16} {x.Action.Verb.Name,-8} {x.Foot,-5} {x.Direction,-15} {x.After.Weight,-6} {x.After.Facing} {x.Fault} ({x.After.Body.X:0.00},{x.After.Body.Y:0.00})"); } }
        foreach (var x in a.Findings) { Console.WriteLine(x); }
    }
}
