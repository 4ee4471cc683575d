using Rama.Data.Database;
using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Rama.Data.Migrations
{
    /// <inheritdoc />
    public partial class Cutting : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "cutting_details",
                table: "season_plans",
                type: "json",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "held_decision",
                table: "season_plans",
                type: "character varying(20)",
                maxLength: 20,
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "held_reason",
                table: "season_plans",
                type: "character varying(300)",
                maxLength: 300,
                nullable: true);

            migrationBuilder.CreateTable(
                name: "card_issues",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    number = table.Column<int>(type: "integer", nullable: false),
                    basis = table.Column<string>(type: "character varying(64)", maxLength: 64, nullable: false),
                    language = table.Column<string>(type: "character varying(5)", maxLength: 5, nullable: false),
                    card = table.Column<string>(type: "text", nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_card_issues", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_card_issues_number", "number >= 1");
                    table.ForeignKey(
                        name: "fk_card_issues_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "own_systems",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    data = table.Column<string>(type: "jsonb", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_own_systems", x => new { x.estate_id, x.name });
                    table.ForeignKey(
                        name: "fk_own_systems_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "practice_runs",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    pruner = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    tree = table.Column<string>(type: "character varying(40)", maxLength: 40, nullable: false),
                    score = table.Column<int>(type: "integer", nullable: false),
                    buds_left = table.Column<int>(type: "integer", nullable: false),
                    target = table.Column<double>(type: "double precision", nullable: false),
                    minutes = table.Column<double>(type: "double precision", nullable: false),
                    remarks = table.Column<string>(type: "text", nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_practice_runs", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_practice_runs_score", "score between 0 and 100");
                    table.ForeignKey(
                        name: "fk_practice_runs_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_card_issues_estate_id_planting_id_season_at",
                table: "card_issues",
                columns: new[] { "estate_id", "planting_id", "season", "at" });

            migrationBuilder.CreateIndex(
                name: "ix_practice_runs_estate_id_planting_id_at",
                table: "practice_runs",
                columns: new[] { "estate_id", "planting_id", "at" });
            migrationBuilder.OpenByEstate("own_systems", "card_issues", "practice_runs");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) => throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
