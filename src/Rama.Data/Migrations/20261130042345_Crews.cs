using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261130042345_Crews")]
    internal sealed class Crews : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "crew_id",
                table: "workers",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<string[]>(
                name: "skills",
                table: "workers",
                type: "text[]",
                nullable: false,
                defaultValue: new string[0]);

            migrationBuilder.AddColumn<string>(
                name: "crew_settings",
                table: "estates",
                type: "text",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "crew_plans",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    made_at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    order = table.Column<string>(type: "text", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_crew_plans", x => new { x.estate_id, x.season });
                    table.ForeignKey(
                        name: "fk_crew_plans_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "crews",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    name = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    sheet = table.Column<string>(type: "text", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false),
                    name_key = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: true, computedColumnSql: "lower(name)", stored: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_crews", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_crews_estates_estate_id",
                        column: x => x.estate_id,
                        principalTable: "estates",
                        principalColumn: "id",
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateTable(
                name: "crew_tasks",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    pass = table.Column<string>(type: "character varying(60)", maxLength: 60, nullable: false),
                    crew_id = table.Column<Guid>(type: "uuid", nullable: true),
                    start = table.Column<DateOnly>(type: "date", nullable: true),
                    late_per_day = table.Column<double>(type: "double precision", nullable: true),
                    never_late = table.Column<bool>(type: "boolean", nullable: false),
                    platforms = table.Column<int>(type: "integer", nullable: false),
                    in_two = table.Column<bool>(type: "boolean", nullable: false),
                    xmin = table.Column<uint>(type: "xid", rowVersion: true, nullable: false)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_crew_tasks", x => new { x.estate_id, x.planting_id, x.season, x.pass });
                    table.CheckConstraint("ck_crew_tasks_platforms", "platforms >= 0");
                    table.ForeignKey(
                        name: "fk_crew_tasks_crews_estate_id_crew_id",
                        columns: x => new { x.estate_id, x.crew_id },
                        principalTable: "crews",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Restrict);
                    table.ForeignKey(
                        name: "fk_crew_tasks_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_workers_estate_id_crew_id",
                table: "workers",
                columns: new[] { "estate_id", "crew_id" });

            migrationBuilder.CreateIndex(
                name: "ix_crew_tasks_estate_id_crew_id",
                table: "crew_tasks",
                columns: new[] { "estate_id", "crew_id" });

            migrationBuilder.CreateIndex(
                name: "ix_crews_name",
                table: "crews",
                columns: new[] { "estate_id", "name_key" },
                unique: true);

            migrationBuilder.AddForeignKey(
                name: "fk_workers_crews_estate_id_crew_id",
                table: "workers",
                columns: new[] { "estate_id", "crew_id" },
                principalTable: "crews",
                principalColumns: new[] { "estate_id", "id" });

            migrationBuilder.OpenByEstate("crews", "crew_tasks", "crew_plans");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
