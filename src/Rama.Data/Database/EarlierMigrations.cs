using Microsoft.EntityFrameworkCore;
using Rama.Data.Migrations;

namespace Rama.Data.Database;

/// <summary>
/// The migrations of before the first release, which were made one. A database that went through all of them is
/// brought to where <see cref="Schema"/> leads.
/// </summary>
internal static class EarlierMigrations
{
    private const string Last = "20261128181303_IssuedPrescriptions";

    // Pruners were names typed at each practice tree, now with capitals and now without.
    private const string FromLast = """
        alter table plantings alter column changed_at drop default;
        alter table field_entries rename column standing to state;
        create table workers (
            estate_id uuid not null constraint fk_workers_estates_estate_id references estates (id) on delete cascade,
            id uuid not null,
            name character varying(60) not null,
            language character varying(5) not null constraint ck_workers_language check (language in ('en', 'es')),
            has_left boolean not null,
            name_key character varying(60) generated always as (lower(name)) stored,
            constraint pk_workers primary key (estate_id, id)
        );
        create unique index ix_workers_name on workers (estate_id, name_key);
        grant select, insert, update, delete on workers to rama_app;
        alter table workers enable row level security;
        create policy own_estate on workers using (estate_id = rama_estate());
        insert into workers (estate_id, id, name, language, has_left)
            select distinct on (estate_id, lower(trim(pruner)))
                estate_id, gen_random_uuid(), trim(pruner), 'en', false
            from practice_runs order by estate_id, lower(trim(pruner)), at desc;
        alter table practice_runs add column worker_id uuid;
        update practice_runs r set worker_id = w.id from workers w
            where w.estate_id = r.estate_id and w.name_key = lower(trim(r.pruner));
        alter table practice_runs alter column worker_id set not null;
        alter table practice_runs drop column pruner;
        create index ix_practice_runs_estate_id_worker_id on practice_runs (estate_id, worker_id);
        alter table practice_runs add constraint fk_practice_runs_workers_estate_id_worker_id
            foreign key (estate_id, worker_id) references workers (estate_id, id) on delete restrict;
        """;

    /// <summary>Goes from the last of them to the one migration; does nothing where there are none.</summary>
    /// <param name="database">The database, not yet migrated.</param>
    /// <param name="cancel">Stops it; nothing is changed then.</param>
    /// <exception cref="InvalidOperationException">The database is older than the last of them.</exception>
    public static async Task TakeOverAsync(RamaContext database, CancellationToken cancel)
    {
        if (!await database.Database.CanConnectAsync(cancel))
            return;
        var applied = (await database.Database.GetAppliedMigrationsAsync(cancel)).ToList();
        if (applied.Count == 0 || applied.Contains(Schema.Id))
            return;
        if (!applied.Contains(Last))
            throw new InvalidOperationException(
                $"This database stands at {applied[^1]}, before the first release. Nothing was changed. Start the "
                    + $"version that ends with {Last} on it once, then this one."
            );
        await database.InTransactionAsync(
            async () =>
            {
                await database.Database.ExecuteSqlRawAsync(FromLast, cancel);
                await database.Database.ExecuteSqlAsync(
                    $"""
                    with earlier as (delete from "__EFMigrationsHistory" returning product_version)
                    insert into "__EFMigrationsHistory" (migration_id, product_version)
                    select {Schema.Id}, max(product_version) from earlier
                    """,
                    cancel
                );
            },
            cancel
        );
    }
}
