using System.Xml.Linq;
using Microsoft.AspNetCore.DataProtection.Repositories;
using Npgsql;

namespace FondCompass.Web.Accounts;

/// <summary>
/// The keys that sign cookies and letters, in the database, so that every instance has the same and a backup holds them. Asked for without
/// the model of
/// the whole database, which would keep every start waiting.
/// </summary>
internal sealed class SigningKeyStore(NpgsqlDataSource database) : IXmlRepository
{
    public IReadOnlyCollection<XElement> GetAllElements()
    {
        using var asked = database.CreateCommand("""select "Xml" from "SigningKeys" order by "Id" """);
        using var rows = asked.ExecuteReader();
        var keys = new List<XElement>();
        while (rows.Read())
        {
            keys.Add(XElement.Parse(rows.GetString(0)));
        }

        return keys;
    }

    public void StoreElement(XElement element, string friendlyName)
    {
        using var kept = database.CreateCommand("""insert into "SigningKeys" ("Name", "Xml") values ($1, $2)""");
        kept.Parameters.Add(new NpgsqlParameter { Value = friendlyName });
        kept.Parameters.Add(new NpgsqlParameter { Value = element.ToString(SaveOptions.DisableFormatting) });
        kept.ExecuteNonQuery();
    }
}
