using FondCompass.Data.Records;
using FondCompass.Web.Accounts;
using Xunit;

namespace FondCompass.Web.Tests;

/// <summary>What happened with an account is kept by its name and told in words.</summary>
public class AccountActTests
{
    [Fact]
    public void Each_has_words_of_its_own_and_is_short_enough_to_be_kept()
    {
        var names = Enum.GetNames<AccountAct>();
        Assert.Equal(names.Length, names.Select(AccountActs.Words).Distinct().Count());
        Assert.All(names, n => Assert.NotEqual(n, AccountActs.Words(n)));
        Assert.All(names, n => Assert.True(n.Length <= AccountEvent.LongestKind));
    }

    [Theory]
    [InlineData("changed the password")]
    [InlineData("signed out")]
    [InlineData("7")]
    public void What_an_earlier_version_kept_is_shown_as_it_stands(string kept) => Assert.Equal(kept, AccountActs.Words(kept));
}
