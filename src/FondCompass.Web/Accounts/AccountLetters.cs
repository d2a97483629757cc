using System.Net.Mail;
using System.Threading.Channels;
using FondCompass.Core.Wording.Texts.Pages;
using FondCompass.Data.Records;
using FondCompass.Web.Accounts.SignIns;
using FondCompass.Web.Hosting;
using Microsoft.AspNetCore.Identity;
using Microsoft.Extensions.Options;

namespace FondCompass.Web.Accounts;

/// <summary>A letter that somebody asked for.</summary>
/// <param name="Email">To whom, if there is anything to write.</param>
/// <param name="Site">The address its link begins with.</param>
/// <param name="MayBegin">Whether it may begin an account; else it is for those that there are.</param>
public sealed record AskedLetter(string Email, Uri Site, bool MayBegin, string From);

/// <summary>
/// Writes and sends letters behind the answer, so that asking takes as long for an address that is known as for one that is not. Without a
/// server
/// they are files in a folder, one for each: a simulated post office.
/// </summary>
public sealed class AccountLetters(
    IServiceScopeFactory scopes,
    IOptions<StudioOptions> studio,
    ILogger<AccountLetters> log) : BackgroundService
{
    /// <summary>Letters that wait; who comes behind them is told to come again.</summary>
    private const int MostWaiting = 500;

    private const int UsualPort = 25;

    private readonly Channel<Func<IServiceProvider, CancellationToken, Task>> _asked =
        Channel.CreateBounded<Func<IServiceProvider, CancellationToken, Task>>(MostWaiting);

    public bool IsFolder => studio.Value.MailServer.Length == 0;

    public static string Full => AccountTexts.TooManyLetters;

    /// <summary>Tells somebody by letter what happened with the account.</summary>
    /// <returns>False when so many wait that it was not taken.</returns>
    public bool Tell(string email, string subject, string words) =>
        Later((_, cancel) => Send(
            email,
            subject,
            AccountTexts.IfItWasNotYou(words, PasswordPage).ToString().ReplaceLineEndings("\r\n"),
            cancel));

    /// <summary>Where a new password is chosen; without a site people know where their own machine answers.</summary>
    private string PasswordPage =>
        studio.Value.Site is { } site ? $"{new Uri(site, "/password")}" : AccountTexts.OnTheForgottenPage;

    /// <returns>False when so many wait that it was not taken.</returns>
    public bool Ask(AskedLetter asked) => Later((services, cancel) => Write(asked, services, cancel));

    /// <summary>Does something behind the answer.</summary>
    /// <returns>False when so much waits that it was not taken.</returns>
    public bool Later(Func<IServiceProvider, CancellationToken, Task> work) => _asked.Writer.TryWrite(work);

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        await foreach (var work in _asked.Reader.ReadAllAsync(stoppingToken))
        {
            try
            {
                await using var scope = scopes.CreateAsyncScope();
                await work(scope.ServiceProvider, stoppingToken);
            }
            catch (Exception problem) when (problem is not OperationCanceledException)
            {
                log.LogError(
                    problem,
                    "A letter could not be sent, or an account's event not be written; who asked for a letter can ask again");
            }
        }
    }

    private async Task Write(AskedLetter asked, IServiceProvider services, CancellationToken cancel)
    {
        var account = await services.GetRequiredService<UserManager<Instructor>>().FindByEmailAsync(asked.Email);
        // The demo studio has no password, and none is made for it.
        if (account is { PasswordHash: null } || (account is null && !asked.MayBegin))
        {
            return;
        }

        var link = new Uri(asked.Site, $"/password/new?key={services.GetRequiredService<PasswordLinkKey>().For(asked.Email, account)}");
        var (subject, first) = account is null
            ? (AccountTexts.YourStudio, AccountTexts.AccountAsked)
            : (AccountTexts.NewPasswordSubject, AccountTexts.NewPasswordAsked);
        await Send(
            asked.Email,
            subject,
            AccountTexts.LinkHoldsAnHour(first, $"{link}").ToString().ReplaceLineEndings("\r\n"),
            cancel);
        if (account is not null)
        {
            await services.GetRequiredService<AccountLog>().Write(account.Id, AccountAct.AskedForPasswordLetter, asked.From, cancel);
        }
    }

    private async Task Send(string email, string subject, string words, CancellationToken cancel)
    {
        using var letter = new MailMessage(studio.Value.MailFrom, email, subject, words)
        {
            // As it is written, so that a letter that is a file can be read, and its link taken from it.
            BodyTransferEncoding = System.Net.Mime.TransferEncoding.SevenBit,
        };
        using var office = Office();
        await office.SendMailAsync(letter, cancel);
    }

    private SmtpClient Office()
    {
        if (IsFolder)
        {
            var folder = Directory.CreateDirectory(studio.Value.Mail);
            return new SmtpClient
            {
                DeliveryFormat = SmtpDeliveryFormat.International,
                DeliveryMethod = SmtpDeliveryMethod.SpecifiedPickupDirectory,
                PickupDirectoryLocation = folder.FullName
            };
        }

        var (host, port) = studio.Value.MailServer.Split(':') is [var name, var number] && int.TryParse(number, out var at)
            ? (name, at)
            : (studio.Value.MailServer, UsualPort);
        return new SmtpClient(host, port) { EnableSsl = true, DeliveryFormat = SmtpDeliveryFormat.International };
    }
}
