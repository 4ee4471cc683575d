using Rama.Data.Database;
using System;
using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Rama.Data.Migrations
{
    /// <inheritdoc />
    public partial class IssuedPrescriptions : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.CreateTable(
                name: "issued_prescriptions",
                columns: table => new
                {
                    estate_id = table.Column<Guid>(type: "uuid", nullable: false),
                    id = table.Column<Guid>(type: "uuid", nullable: false),
                    planting_id = table.Column<Guid>(type: "uuid", nullable: false),
                    season = table.Column<int>(type: "integer", nullable: false),
                    number = table.Column<int>(type: "integer", nullable: false),
                    content = table.Column<string>(type: "json", nullable: true),
                    at = table.Column<DateTimeOffset>(type: "timestamp with time zone", nullable: false),
                    person = table.Column<string>(type: "character varying(100)", maxLength: 100, nullable: true)
                },
                constraints: table =>
                {
                    table.PrimaryKey("pk_issued_prescriptions", x => new { x.estate_id, x.id });
                    table.CheckConstraint("ck_issued_prescriptions_number", "number >= 1");
                    table.ForeignKey(
                        name: "fk_issued_prescriptions_plantings_estate_id_planting_id",
                        columns: x => new { x.estate_id, x.planting_id },
                        principalTable: "plantings",
                        principalColumns: new[] { "estate_id", "id" },
                        onDelete: ReferentialAction.Cascade);
                });

            migrationBuilder.CreateIndex(
                name: "ix_issued_prescriptions_estate_id_planting_id_season_number",
                table: "issued_prescriptions",
                columns: new[] { "estate_id", "planting_id", "season", "number" },
                unique: true);

            // Cards handed out so far: their versions become prescriptions of which only the number is known.
            migrationBuilder.Sql("""
                insert into issued_prescriptions (estate_id, id, planting_id, season, number, at, person)
                select distinct on (estate_id, planting_id, season, number)
                    estate_id, gen_random_uuid(), planting_id, season, number, at, person
                from card_issues order by estate_id, planting_id, season, number, at;
                """);

            migrationBuilder.AddColumn<Guid>(
                name: "prescription_id",
                table: "card_issues",
                type: "uuid",
                nullable: true);

            migrationBuilder.Sql("""
                update card_issues c set prescription_id = p.id from issued_prescriptions p
                where (p.estate_id, p.planting_id) = (c.estate_id, c.planting_id)
                    and (p.season, p.number) = (c.season, c.number);
                alter table card_issues alter column prescription_id set not null;
                """);

            migrationBuilder.DropForeignKey(
                name: "fk_card_issues_plantings_estate_id_planting_id",
                table: "card_issues");

            migrationBuilder.DropIndex(
                name: "ix_card_issues_estate_id_planting_id_season_at",
                table: "card_issues");

            migrationBuilder.DropCheckConstraint(name: "ck_card_issues_number", table: "card_issues");

            migrationBuilder.DropColumn(name: "basis", table: "card_issues");

            migrationBuilder.DropColumn(name: "number", table: "card_issues");

            migrationBuilder.DropColumn(name: "season", table: "card_issues");

            migrationBuilder.DropColumn(name: "planting_id", table: "card_issues");

            migrationBuilder.CreateIndex(
                name: "ix_card_issues_estate_id_prescription_id_at",
                table: "card_issues",
                columns: new[] { "estate_id", "prescription_id", "at" });

            migrationBuilder.AddForeignKey(
                name: "fk_card_issues_issued_prescriptions_estate_id_prescription_id",
                table: "card_issues",
                columns: new[] { "estate_id", "prescription_id" },
                principalTable: "issued_prescriptions",
                principalColumns: new[] { "estate_id", "id" },
                onDelete: ReferentialAction.Cascade);

            migrationBuilder.OpenByEstate("issued_prescriptions");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
