using System.Globalization;
using FondCompass.Core.Measures;
using FondCompass.Data;
using FondCompass.Data.Records;
using FondCompass.Web.Hosting.Requests;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Web.Accounts;

/// <summary>
/// What is decided about somebody who wants in; the numbers are those of the events in the server's messages (docs/security.md).
/// </summary>
public enum SignInDecision
{
    LetIn = 4101,
    CodeAsked = 4102,
    SignedOut = 4103,
    SessionEnded = 4104,
    WrongPassword = 4201,
    UnknownAddress = 4202,
    WrongCode = 4203,
    TooManyTries = 4204,
}

/// <summary>What happens with accounts, for their owners to read.</summary>
public sealed class AccountLog(FondCompassContext context, InstructorClock clock, ILogger<AccountLog> monitor)
{
    /// <summary>Entries kept of one account.</summary>
    public const int Most = 500;

    public static string FromOf(HttpContext http) => ClientNetwork.AddressOf(http.Connection.RemoteIpAddress);

    /// <summary>
    /// Tells whoever watches the server what was decided about somebody who wanted in; the account by its id, so that no address stands in
    /// the server's messages.
    /// </summary>
    public void Decide(SignInDecision decision, Guid? account, string from) =>
        monitor.Log(
            decision is SignInDecision.LetIn or SignInDecision.CodeAsked or SignInDecision.SignedOut or SignInDecision.SessionEnded
                ? LogLevel.Information
                : LogLevel.Warning,
            new EventId((int)decision, $"{decision}"),
            "Sign-in: {Decision}, account {Account}, from {From}", decision, account?.ToString() ?? "none", from);

    public async Task Write(Guid account, AccountAct act, string from, CancellationToken cancel = default)
    {
        context.AccountEvents.Add(new AccountEvent { AccountId = account, At = clock.Now, Kind = $"{act}", From = from });
        await context.SaveChangesAsync(cancel);
        var oldest = await Of(account).Skip(Most).Select(e => (long?)e.Id).FirstOrDefaultAsync(cancel);
        if (oldest is { } last)
        {
            await context.AccountEvents.Where(e => e.AccountId == account && e.Id <= last).ExecuteDeleteAsync(cancel);
        }
    }

    public IQueryable<AccountEvent> Of(Guid account) =>
        context.AccountEvents.AsNoTracking().Where(e => e.AccountId == account).OrderByDescending(e => e.Id);

    /// <summary>When it was, by the instructor's own clock.</summary>
    public string Moment(DateTimeOffset at) => clock.LocalOf(at).ToString("d MMM yyyy, HH:mm", CultureInfo.InvariantCulture);
}
