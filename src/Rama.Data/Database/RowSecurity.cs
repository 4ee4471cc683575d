using Microsoft.EntityFrameworkCore.Migrations;

namespace Rama.Data.Database;

/// <summary>
/// Row-level security, laid by migrations. The application signs in as a member of <see cref="Group"/>, which owns
/// nothing and sees of an estate's tables only the rows of the estate its connection is set to; unset, it sees none.
/// </summary>
internal static class RowSecurity
{
    /// <summary>The group that may read and write, and owns nothing.</summary>
    public const string Group = "rama_app";

    /// <summary>Makes the group and the functions that tell the estate and person of a connection.</summary>
    public static void Prepare(this MigrationBuilder migration) =>
        migration.Sql(
            $"""
            do $$ begin create role {Group} nologin; exception when duplicate_object or unique_violation then null; end $$;
            grant usage on schema public to {Group};
            create function rama_estate() returns uuid language sql stable as $$ select nullif(current_setting('rama.estate', true), '')::uuid $$;
            create function rama_person() returns uuid language sql stable as $$ select nullif(current_setting('rama.person', true), '')::uuid $$;
            """
        );

    /// <summary>Opens tables that belong to no estate: accounts and keys.</summary>
    public static void Open(this MigrationBuilder migration, params string[] tables) =>
        migration.Sql($"grant select, insert, update, delete on {string.Join(", ", tables)} to {Group};");

    /// <summary>Opens a table of an estate, one estate at a time.</summary>
    public static void OpenByEstate(this MigrationBuilder migration, params string[] tables)
    {
        foreach (var table in tables)
            migration.OpenWhere(table, "estate_id = rama_estate()");
    }

    /// <summary>Opens a table by a rule of its own.</summary>
    public static void OpenWhere(
        this MigrationBuilder migration,
        string table,
        string rule,
        string rights = "select, insert, update, delete"
    ) =>
        migration.Sql(
            $"""
            grant {rights} on {table} to {Group};
            alter table {table} enable row level security;
            create policy own_estate on {table} using ({rule});
            """
        );
}
