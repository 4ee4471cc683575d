using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.History;

internal sealed class ChangeConfiguration : IEntityTypeConfiguration<ChangeRecord>
{
    public void Configure(EntityTypeBuilder<ChangeRecord> builder)
    {
        builder.ToTable("changes");
        builder.HasKey(c => new { c.EstateId, c.Id });
        builder.Property(c => c.Id).UseIdentityAlwaysColumn();
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(c => c.EstateId);
        // No key to the planting: the history outlives it.
        builder.HasIndex(c => new
        {
            c.EstateId,
            c.PlantingId,
            c.Id,
        });
        builder.Property(c => c.Person).HasMaxLength(100);
        builder.Property(c => c.Subject).HasMaxLength(30);
        builder.Property(c => c.Detail).HasMaxLength(60);
        builder.Property(c => c.Field).HasMaxLength(60);
        builder.Property(c => c.Old).HasMaxLength(HistoryInterceptor.LongestValue);
        builder.Property(c => c.New).HasMaxLength(HistoryInterceptor.LongestValue);
    }
}

internal sealed class BatchConfiguration : IEntityTypeConfiguration<BatchRecord>
{
    public void Configure(EntityTypeBuilder<BatchRecord> builder)
    {
        builder.ToTable("batches");
        builder.HasKey(b => new { b.EstateId, b.Id });
        builder.HasOne<EstateRecord>().WithMany().HasForeignKey(b => b.EstateId);
        builder.Property(b => b.Person).HasMaxLength(100);
        builder.Property(b => b.Table).HasMaxLength(30);
        builder.Property(b => b.File).HasMaxLength(200);
        builder.Property(b => b.Shape).HasMaxLength(64);
        builder.Property(b => b.Mapping).HasColumnType("json");
        builder.HasIndex(b => new { b.EstateId, b.Shape });
    }
}
