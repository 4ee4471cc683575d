using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Weather;

internal sealed class WeatherReadConfiguration : IEntityTypeConfiguration<WeatherReadRecord>
{
    public void Configure(EntityTypeBuilder<WeatherReadRecord> builder)
    {
        builder.ToTable("weather_reads");
        builder.HasKey(r => new { r.EstateId, r.SiteId });
        builder.HasOne<SiteRecord>().WithMany().HasForeignKey(r => new { r.EstateId, r.SiteId });
        builder.Property(r => r.Problem).HasMaxLength(300);
        builder.Property(r => r.Version).IsRowVersion();
    }
}

internal sealed class WeatherEstateConfiguration : IEntityTypeConfiguration<WeatherEstate>
{
    public void Configure(EntityTypeBuilder<WeatherEstate> builder) =>
        builder.HasNoKey().ToFunction("rama_estates_with_weather_source");
}
