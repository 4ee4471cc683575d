using Microsoft.EntityFrameworkCore.Migrations;

#nullable disable

namespace Rama.Data.Migrations
{
    /// <inheritdoc />
    public partial class CrewHours : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<double>(
                name: "crew_hours_per_week",
                table: "estates",
                type: "double precision",
                nullable: true);

            migrationBuilder.AddCheckConstraint(
                name: "ck_estates_crew_hours",
                table: "estates",
                sql: "crew_hours_per_week > 0");
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) => throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
