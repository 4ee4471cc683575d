using System;
using System.Collections.Generic;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261201090844_PractisedByPerson")]
    internal sealed class PractisedByPerson : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<Guid>(
                name: "worker_id",
                table: "memberships",
                type: "uuid",
                nullable: true);

            migrationBuilder.CreateTable(
                name: "practice_exercises",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    @class = table.Column<string>(name: "class", type: "character varying(20)", maxLength: 20, nullable: false),
                    numbers = table.Column<List<int>>(type: "integer[]", nullable: false),
                    note = table.Column<string>(type: "character varying(200)", maxLength: 200, nullable: true),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_practice_exercises", x => new { x.estate_id, x.id });
                    table.ForeignKey(
                        name: "fk_practice_exercises_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_practice_runs_estate_id_at",
                table: "practice_runs",
                columns: new[] { "estate_id", "at" });

            migrationBuilder.CreateIndex(
                name: "ix_memberships_worker",
                table: "memberships",
                columns: new[] { "estate_id", "worker_id" },
                unique: true);

            migrationBuilder.CreateIndex(
                name: "ix_practice_exercises_estate_id_planting_id",
                table: "practice_exercises",
                columns: new[] { "estate_id", "planting_id" });

            migrationBuilder.CreateIndex(
                name: "ix_practice_exercises_estate_id_season",
                table: "practice_exercises",
                columns: new[] { "estate_id", "season" });

            migrationBuilder.AddForeignKey(
                name: "fk_memberships_workers_estate_id_worker_id",
                table: "memberships",
                columns: new[] { "estate_id", "worker_id" },
                principalTable: "workers",
                principalColumns: new[] { "estate_id", "id" },
                onDelete: ReferentialAction.Restrict);

            migrationBuilder.OpenByEstate("practice_exercises");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
