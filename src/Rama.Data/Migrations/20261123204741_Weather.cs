using Rama.Data.Database;
using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Rama.Data.Migrations
{
    /// <inheritdoc />
    public partial class Weather : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "weather_days",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    site_id = table.Column<Guid>(type: "uuid", nullable: false),
                    date = table.Column<DateOnly>(type: "date", nullable: false),
                    min_c = table.Column<double>(type: "double precision", nullable: false),
                    max_c = table.Column<double>(type: "double precision", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_weather_days", x => new { x.estate_id, x.site_id, x.date });
                    table.CheckConstraint("ck_weather_days_range", "min_c between -60 and max_c and max_c <= 60");
                    table.ForeignKey(
                        name: "fk_weather_days_sites_estate_id_site_id",
                        columns: x => new { x.estate_id, x.site_id },
                        principalTable: "sites",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });
            migrationBuilder.OpenByEstate("weather_days");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) => throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
