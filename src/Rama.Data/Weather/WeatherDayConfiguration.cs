using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Metadata.Builders;
using Rama.Data.Estate;

namespace Rama.Data.Weather;

internal sealed class WeatherDayConfiguration : IEntityTypeConfiguration<WeatherDayRecord>
{
    public void Configure(EntityTypeBuilder<WeatherDayRecord> builder)
    {
        builder.ToTable("weather_days", t =>
            t.HasCheckConstraint("ck_weather_days_range", "min_c between -60 and max_c and max_c <= 60")
        );
        builder.HasKey(d => new
        {
            d.EstateId,
            d.SiteId,
            d.Date,
        });
        builder.HasOne<SiteRecord>().WithMany().HasForeignKey(d => new { d.EstateId, d.SiteId });
    }
}
