using System;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using Rama.Data.Database;

#nullable disable

namespace Rama.Data.Migrations
{
    [DbContext(typeof(RamaContext))]
    [Migration("20261129141448_UndoAndFree")]
    internal sealed class UndoAndFree : Migration
    {
        /// <inheritdoc />
        protected override void Up(MigrationBuilder migrationBuilder)
        {
            migrationBuilder.AddColumn<string>(
                name: "free",
                table: "plantings",
                type: "json",
                nullable: true);

            migrationBuilder.AddColumn<string>(
                name: "currency",
                table: "estates",
                type: "character varying(3)",
                maxLength: 3,
                nullable: true);

            migrationBuilder.AddColumn<byte[]>(
                name: "before",
                table: "batches",
                type: "bytea",
                nullable: true);

            migrationBuilder.AddColumn<Guid>(
                name: "undoes",
                table: "batches",
                type: "uuid",
                nullable: true);

            migrationBuilder.AddColumn<DateTimeOffset>(
                name: "undone_at",
                table: "batches",
                type: "timestamp with time zone",
                nullable: true);
        }

        /// <inheritdoc />
        protected override void Down(MigrationBuilder migrationBuilder) =>
            throw new NotSupportedException("Migrations only go forward; restore a backup.");
    }
}
