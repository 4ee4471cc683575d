using Microsoft.AspNetCore.DataProtection.EntityFrameworkCore;
using Microsoft.AspNetCore.Identity;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.People;

internal sealed class PersonConfiguration : IEntityTypeConfiguration<PersonRecord>
{
    public void Configure(EntityTypeBuilder<PersonRecord> builder)
    {
        builder.ToTable("people");
        builder.Property(p => p.Name).HasMaxLength(100);
        builder.Property(p => p.Units).HasConversion<string>().HasMaxLength(10);
        builder.Property(p => p.Language).HasMaxLength(5);
    }
}

internal sealed class MembershipConfiguration : IEntityTypeConfiguration<MembershipRecord>
{
    /// <summary>Name of the key by which an account keeps who of the crew it is.</summary>
    public const string Known = "fk_memberships_workers_estate_id_worker_id";

    /// <summary>Name of the index that gives somebody of the crew one account at most.</summary>
    public const string OneAccount = "ix_memberships_worker";

    public void Configure(EntityTypeBuilder<MembershipRecord> builder)
    {
        builder.ToTable("memberships", t =>
            t.HasCheckConstraint("ck_memberships_role", "role in ('Reader', 'Counter', 'CrewLead', 'Manager')")
        );
        builder.HasKey(m => new { m.EstateId, m.PersonId });
        builder.HasOne(m => m.Estate).WithMany().HasForeignKey(m => m.EstateId);
        builder.HasOne(m => m.Person).WithMany().HasForeignKey(m => m.PersonId);
        builder.Property(m => m.Role).HasConversion<string>().HasMaxLength(20);
        builder
            .HasOne(m => m.Worker)
            .WithMany()
            .HasForeignKey(m => new { m.EstateId, m.WorkerId })
            .HasConstraintName(Known)
            .OnDelete(DeleteBehavior.Restrict);
        builder.HasIndex(m => new { m.EstateId, m.WorkerId }).IsUnique().HasDatabaseName(OneAccount);
    }
}

internal sealed class SessionConfiguration : IEntityTypeConfiguration<SessionRecord>
{
    public void Configure(EntityTypeBuilder<SessionRecord> builder)
    {
        builder.ToTable("sessions");
        builder.HasOne<PersonRecord>().WithMany().HasForeignKey(s => s.PersonId);
        builder.Property(s => s.Browser).HasMaxLength(60);
    }
}

internal sealed class InvitationConfiguration : IEntityTypeConfiguration<InvitationRecord>
{
    public void Configure(EntityTypeBuilder<InvitationRecord> builder)
    {
        builder.ToTable("invitations", t =>
            t.HasCheckConstraint("ck_invitations_role", "role in ('Reader', 'Counter', 'CrewLead', 'Manager')")
        );
        builder.HasKey(i => new { i.EstateId, i.Id });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(i => i.EstateId);
        builder.HasIndex(i => i.Secret).IsUnique();
        builder.Property(i => i.Name).HasMaxLength(100);
        builder.Property(i => i.InvitedBy).HasMaxLength(100);
        builder.Property(i => i.Role).HasConversion<string>().HasMaxLength(20);
    }
}

internal sealed class MachineTokenConfiguration : IEntityTypeConfiguration<MachineTokenRecord>
{
    public void Configure(EntityTypeBuilder<MachineTokenRecord> builder)
    {
        builder.ToTable("machine_tokens", t =>
            t.HasCheckConstraint("ck_machine_tokens_scope", "scope in ('Scans', 'Weather', 'Harvest', 'Read')")
        );
        builder.HasKey(t => new { t.EstateId, t.Id });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(t => t.EstateId);
        builder.HasIndex(t => t.Secret).IsUnique();
        builder.Property(t => t.Name).HasMaxLength(100);
        builder.Property(t => t.MadeBy).HasMaxLength(100);
        builder.Property(t => t.Scope).HasConversion<string>().HasMaxLength(20);
    }
}

/// <summary>Tables of the account library and of the keys that cookies are protected with, in Rama's naming.</summary>
internal sealed class AccountTables
    : IEntityTypeConfiguration<IdentityUserClaim<Guid>>,
        IEntityTypeConfiguration<IdentityUserLogin<Guid>>,
        IEntityTypeConfiguration<IdentityUserToken<Guid>>,
        IEntityTypeConfiguration<DataProtectionKey>
{
    public void Configure(EntityTypeBuilder<IdentityUserClaim<Guid>> builder) => builder.ToTable("person_claims");

    public void Configure(EntityTypeBuilder<IdentityUserLogin<Guid>> builder) => builder.ToTable("person_logins");

    public void Configure(EntityTypeBuilder<IdentityUserToken<Guid>> builder) => builder.ToTable("person_tokens");

    public void Configure(EntityTypeBuilder<DataProtectionKey> builder) => builder.ToTable("data_protection_keys");
}
