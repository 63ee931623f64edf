% Prints the batches of the ink room. Some of its calls are wrong.
mass = [12.5; 7.25]';
printf("%-8s|%8.2f|\n", 'K-07', 12.5);
%{
printf("%d", "in a comment")
%}
printf('it''s %d\n', 2.5);
fprintf(1, "%5.1f \q\n", mass');
