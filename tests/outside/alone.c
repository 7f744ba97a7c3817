/* Links whatever the build gives it. */
int main(void)
{
    return 0;
}
