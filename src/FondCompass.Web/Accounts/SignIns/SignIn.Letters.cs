using System.Net.Mail;
using FondCompass.Core.Wording.Texts.Pages;
using Microsoft.AspNetCore.Identity;

namespace FondCompass.Web.Accounts.SignIns;

/// <summary>New accounts and letters.</summary>
public sealed partial class SignIn
{
    /// <summary>An address that letters can be sent to, as it is kept; null for what is none.</summary>
    public static string? EmailOf(string? written) =>
        written?.Trim() is { Length: > 0 and <= LongestEmail } email
            && !email.Any(c => char.IsControl(c) || char.IsWhiteSpace(c) || char.IsSurrogate(c))
            && MailAddress.TryCreate(email, out var address)
            && address.Address == email
            ? email
            : null;

    /// <summary>Makes an account and signs in, or sends the letter it begins with; what is wrong otherwise.</summary>
    public async Task<(SignInOutcome Entrance, string? Said)> New(string? email, string? password, bool stays)
    {
        if (EmailOf(email) is not { } address)
        {
            return (new SignInOutcome(NoAddress), null);
        }

        if (BeginsByLetter)
        {
            var (problem, said) = await SendLetter(address);
            return (new SignInOutcome(problem), said);
        }

        if (CommonPasswords.Problem(password ?? "", address) is { } weak)
        {
            return (new SignInOutcome(weak), null);
        }

        if (!IsHere && !await tries.Begin($"new {Place}", MostNewFromOnePlace))
        {
            return (new SignInOutcome(Wait), null);
        }

        if (await users.FindByEmailAsync(address) is not null)
        {
            var entrance = await In(address, password, stays);
            return (entrance.Problem is null ? entrance
                : new SignInOutcome(
                    AccountTexts.NoAccountCanBeMade),
                    null);
        }

        return (new SignInOutcome(await Begin(address, password!, stays)), null);
    }

    /// <summary>A letter by which a password can be chosen; the same is said whoever has the address.</summary>
    public async Task<(string? Problem, string? Said)> SendLetter(string? email)
    {
        if (EmailOf(email) is not { } address)
        {
            return (NoAddress, null);
        }

        if (await MayNotWrite(address) is { } problem)
        {
            return (problem, null);
        }

        if (!post.Ask(new AskedLetter(address, Site, BeginsByLetter, From)))
        {
            return (AccountLetters.Full, null);
        }

        return (null, BeginsByLetter ? AccountTexts.LetterOnItsWay(address)
            : AccountTexts.LetterIfAccount(address));
    }

    /// <summary>
    /// Why no more letters may be asked for to an address, from here; null where one more may. Said of every address alike, whoever has it.
    /// </summary>
    public async Task<string?> MayNotWrite(string address) =>
        !IsHere && !await tries.Begin($"letters {Place}", MostLettersFromOnePlace) ? Wait
        : await tries.Begin($"letter {address.ToUpperInvariant()}", MostLetters) ? null
        : AccountTexts.LettersAskedForNow(MostLetters);

    internal static string Words(IdentityResult outcome) =>
        outcome.Errors.Any(e => e.Code.StartsWith("Duplicate", StringComparison.Ordinal))
            ? AccountTexts.AccountMadeJustNow
        : string.Join(" ", outcome.Errors.Select(e => e.Description).Distinct());
}
