using System.Text.Json;
using FondCompass.Core.Wording.Texts;
using FondCompass.Core.Wording.Texts.Pages;

namespace FondCompass.Web.Api.Bodies;

/// <summary>What stands where in a body, in words.</summary>
internal static class BodyShape
{
    /// <summary>What a place of a body needs: "dances[0].script" as a string.</summary>
    /// <param name="body">The record that the body is read as.</param>
    /// <param name="place">Where reading stopped: "dances[0]"; empty for the body itself.</param>
    /// <param name="missing">Names that are missing there; none where what stands there is of another kind.</param>
    public static string Needed(Type body, string place, IReadOnlyList<string> missing)
    {
        var here = At(body, place);
        return missing.Count == 0
            ? place.Length == 0 ? ApiTexts.AnObject : ApiTexts.FieldAs(place, KindOf(here))
            : string.Join(", ", missing.Select(name => ApiTexts.FieldAs(
                (place.Length == 0 ? "" : place + ".") + JsonNamingPolicy.CamelCase.ConvertName(name),
                KindOf(PropertyOf(here, name)))));
    }

    private static Type At(Type body, string place)
    {
        var here = body;
        foreach (var step in place.Split('.', StringSplitOptions.RemoveEmptyEntries))
        {
            here = PropertyOf(here, step.Split('[')[0]);
            if (step.Contains('['))
            {
                here = ItemOf(here) ?? here;
            }
        }

        return here;
    }

    private static Type PropertyOf(Type type, string name) =>
        Array.Find(type.GetProperties(), p => p.Name.Equals(name, StringComparison.OrdinalIgnoreCase))?.PropertyType ?? typeof(object);

    private static Type? ItemOf(Type type) => type.IsGenericType ? type.GetGenericArguments()[0] : null;

    private static Sentence KindOf(Type type) => (Nullable.GetUnderlyingType(type) ?? type) switch
    {
        var t when t == typeof(string) => ApiTexts.AString,
        var t when t == typeof(double) => ApiTexts.ANumber,
        var t when t == typeof(int) => ApiTexts.AWholeNumber,
        var t when t == typeof(bool) => ApiTexts.TrueOrFalse,
        { IsGenericType: true } => ApiTexts.AList,
        _ => ApiTexts.AnObject,
    };
}
