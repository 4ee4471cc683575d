using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261129171736_PassesAndWeather")]
    internal sealed class PassesAndWeather : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<bool>(
                name: "is_forecast",
                table: "weather_days",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "taken_at",
                table: "weather_days",
                type: "timestamp with time zone",
                nullable: false,
                defaultValue: DateTimeOffset.UnixEpoch);

            migrationBuilder.AddColumn<int>(
                name: "hot_month",
                table: "sites",
                type: "integer",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "latitude",
                table: "sites",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "longitude",
                table: "sites",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<bool>(
                name: "snow",
                table: "sites",
                type: "boolean",
                nullable: false,
                defaultValue: false);

            migrationBuilder.AddColumn<int>(
                name: "storm_month",
                table: "sites",
                type: "integer",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "weather_source",
                table: "sites",
                type: "character varying(60)",
                maxLength: 60,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "zone",
                table: "sites",
                type: "character varying(60)",
                maxLength: 60,
                nullable: true);

            migrationBuilder.CreateTable(
                name: "pass_choices",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    pass = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    is_added = table.Column<bool>(type: "boolean", nullable: false),
                    left_out = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: true),
                    from = table.Column<DateOnly>(type: "date", nullable: true),
                    to = table.Column<DateOnly>(type: "date", nullable: true),
                    done = table.Column<DateOnly>(type: "date", nullable: true),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_pass_choices", x => new { x.estate_id, x.planting_id, x.season, x.pass });
                    table.CheckConstraint(
                        "ck_pass_choices_days",
                        "(\"from\" is null) = (\"to\" is null) and \"from\" <= \"to\"");
                    table.ForeignKey(
                        name: "fk_pass_choices_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "weather_reads",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    site_id = table.Column<Guid>(type: "uuid", nullable: false),
                    tried_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    read_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: true),
                    problem = table.Column<string>(type: "character varying(300)", maxLength: 300, nullable: true),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_weather_reads", x => new { x.estate_id, x.site_id });
                    table.ForeignKey(
                        name: "fk_weather_reads_sites_estate_id_site_id",
                        columns: x => new { x.estate_id, x.site_id },
                        principalTable: "sites",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.AddCheckConstraint(
                name: "ck_sites_months",
                table: "sites",
                sql: "storm_month between 1 and 12 and hot_month between 1 and 12");

            migrationBuilder.AddCheckConstraint(
                name: "ck_sites_place",
                table: "sites",
                sql: "latitude between -90 and 90 and longitude between -180 and 180");

            migrationBuilder.OpenByEstate("pass_choices", "weather_reads");

            // Which estates have weather to be read is asked before any is in scope; their ids are all it tells.
            migrationBuilder.Sql(
                $"""
                create function rama_estates_with_weather_source() returns table (estate_id uuid)
                    language sql stable security definer set search_path = public
                    as $$ select distinct s.estate_id from sites s where s.weather_source is not null $$;
                revoke all on function rama_estates_with_weather_source() from public;
                grant execute on function rama_estates_with_weather_source() to {RowSecurity.Group};
                """
            );
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
