using FondCompass.Data.Records;
using Microsoft.EntityFrameworkCore;

namespace FondCompass.Data.Accounts;

/// <summary>
/// The end of an account: what belongs to it goes with it, whole or not at all. That it was deleted, and when, is what stays.
/// </summary>
public static class AccountEnd
{
    public static Task Delete(
        FondCompassContext context,
        Guid account,
        string from,
        DateTimeOffset now,
        CancellationToken cancel = default) =>
        context.Database.CreateExecutionStrategy().ExecuteAsync(async () =>
        {
            context.ChangeTracker.Clear();
            await using var transaction = await context.Database.BeginTransactionAsync(cancel);
            await context.AccountEvents.Where(e => e.AccountId == account).ExecuteDeleteAsync(cancel);
            // Everything that is owned hangs on the account and is deleted by the database with it.
            await context.Users.Where(u => u.Id == account).ExecuteDeleteAsync(cancel);
            context.AccountEvents.Add(new AccountEvent { AccountId = account, At = now, Kind = "deleted", From = from });
            await context.SaveChangesAsync(cancel);
            await transaction.CommitAsync(cancel);
        });
}
