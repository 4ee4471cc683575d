using Rama.Data.Database;
using System;
using Microsoft.EntityFrameworkCore.Migrations;
using Npgsql.EntityFrameworkCore.PostgreSQL.Metadata;

#nullable disable

namespace Rama.Data.Migrations
{
    /// <inheritdoc />
    public partial class TargetDesk : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropCheckConstraint(
                name: "ck_season_plans_bud_factor",
                table: "season_plans");

            migrationBuilder.AddColumn<double>(
                name: "buds_left",
                table: "season_results",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<double>(
                name: "clusters_thinned",
                table: "season_results",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "target_details",
                table: "season_plans",
                type: "json",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "fruit_sample",
                table: "plantings",
                type: "json",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "own_price_lists",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    data = table.Column<string>(type: "jsonb", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_own_price_lists", x => new { x.estate_id, x.name });
                    table.ForeignKey(
                        name: "fk_own_price_lists_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "target_versions",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<long>(type: "bigint", nullable: false)
                        .Annotation("Npgsql:ValueGenerationStrategy", NpgsqlValueGenerationStrategy.IdentityAlwaysColumn),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    act = table.Column<string>(type: "character varying(10)", maxLength: 10, nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person_id = table.Column<Guid>(type: "uuid", nullable: true),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true),
                    entry = table.Column<string>(type: "json", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_target_versions", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_target_versions_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.AddCheckConstraint(
                name: "ck_season_results_buds",
                table: "season_results",
                sql: "coalesce(buds_left, 1) > 0 and coalesce(clusters_thinned, 0) >= 0");

            migrationBuilder.AddCheckConstraint(
                name: "ck_season_plans_bud_factor",
                table: "season_plans",
                sql: "bud_factor between 0.1 and 6");

            migrationBuilder.CreateIndex(
                name: "ix_target_versions_estate_id_planting_id_season_id",
                table: "target_versions",
                columns: new[] { "estate_id", "planting_id", "season", "id" });
            migrationBuilder.OpenByEstate("own_price_lists");
            // Versions are added and read, never changed.
            migrationBuilder.OpenWhere("target_versions", "estate_id = rama_estate()", rights: "select, insert");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) => throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
