using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261130215658_LearnedChoices")]
    internal sealed class LearnedChoices : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "learning",
                table: "plantings",
                type: "json",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.DropColumn(
                name: "learning",
                table: "plantings");
        }
    }
}
