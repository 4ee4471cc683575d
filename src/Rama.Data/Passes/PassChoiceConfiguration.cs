using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Passes;

internal sealed class PassChoiceConfiguration : IEntityTypeConfiguration<PassChoiceRecord>
{
    /// <summary>Table of the choices.</summary>
    public const string Table = "pass_choices";

    public void Configure(EntityTypeBuilder<PassChoiceRecord> builder)
    {
        builder.ToTable(Table, t =>
            t.HasCheckConstraint("ck_pass_choices_days", "(\"from\" is null) = (\"to\" is null) and \"from\" <= \"to\"")
        );
        builder.HasKey(c => new
        {
            c.EstateId,
            c.PlantingId,
            c.Season,
            c.Pass,
        });
        builder.HasOne<PlantingRecord>().WithMany().HasForeignKey(c => new { c.EstateId, c.PlantingId });
        builder.Property(c => c.Pass).HasMaxLength(60);
        builder.Property(c => c.LeftOut).HasMaxLength(200);
        builder.Property(c => c.Version).IsRowVersion();
    }
}
